// Engraves a MusicXML file and says what it holds, as JSON: whether it could be read, pages, measures, notes, chords, rehearsal marks, repeats. For tests.
import { readFileSync } from "node:fs";
import { VerovioToolkit } from "verovio/esm";
import createModule from "verovio/wasm";

const toolkit = new VerovioToolkit(await createModule());
const read = toolkit.loadData(readFileSync(process.argv[2], "utf8"));
const mei = toolkit.getMEI();
const count = (pattern) => (mei.match(pattern) ?? []).length;
console.log(
  JSON.stringify({
    read: Boolean(read),
    pages: toolkit.getPageCount(),
    measures: count(/<measure[ >]/g),
    notes: count(/<note[ >]/g),
    chords: count(/<harm[ >]/g),
    marks: count(/<reh[ >]/g),
    repeats: count(/right="rptend"/g),
    svg: toolkit.renderToSVG(1).length,
  }),
);
