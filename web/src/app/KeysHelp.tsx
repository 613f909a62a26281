import { Dialog } from "../components/Dialog";

const GROUPS: [string, [string, string][]][] = [
  [
    "Anywhere",
    [
      ["?", "these keys"],
      ["N", "night or day"],
      ["Tab", "to the next thing that acts"],
      ["Esc", "close what is open"],
    ],
  ],
  [
    "Listening",
    [
      ["Space", "play or pause"],
      ["← →", "a bar back or on"],
      ["⇧ ← →", "a section back or on"],
      ["L", "loop the section that plays, or end the loop"],
    ],
  ],
  [
    "On the sheet",
    [
      ["1 – 7", "tempo, meter, key, tuning, loop, form, loudness"],
      ["C", "confirm the reading that is open"],
      ["X", "refute it"],
      ["E", "put your own value in its place"],
      ["O", "open it again"],
      ["Z", "zoom: whole song, section, bar"],
      ["A", "add a layer that you hear"],
      ["T", "note a technique"],
    ],
  ],
];

/** All keys, on one sheet. */
export function KeysHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog title="Keys" open={open} onClose={onClose} wide>
      <div className="grid grid-cols-2 gap-x-8 gap-y-4">
        {GROUPS.map(([title, keys]) => (
          <section key={title}>
            <h3 className="mb-1 border-b border-rule pb-1 font-serif text-15 italic">{title}</h3>
            <dl className="grid grid-cols-[72px_1fr] gap-y-1.5 pt-1">
              {keys.map(([key, does]) => (
                <div key={key} className="contents">
                  <dt className="figure">{key}</dt>
                  <dd className="text-ink-2">{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Dialog>
  );
}
