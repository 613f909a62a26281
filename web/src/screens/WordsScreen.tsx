import { useState } from "react";
import { PageHead } from "../components/PageHead";
import { GLOSSARY } from "../words/glossary";
import { words as labels } from "../words/words";

/** The words of this house. */
export function WordsScreen() {
  const [words, setWords] = useState("");
  const wanted = words.trim().toLowerCase();
  const found = GLOSSARY.filter(({ word, means }) => `${word} ${means}`.toLowerCase().includes(wanted));
  return (
    <>
      <PageHead title={labels.glossary} remark="What is meant by them here.">
        <input
          type="search"
          aria-label="Search the words"
          placeholder="search"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          className="h-7 w-44 rounded-sm border border-firm bg-sheet px-2"
        />
      </PageHead>
      <div
        tabIndex={0}
        role="region"
        aria-label="Glossary"
        className="min-h-0 grow overflow-y-auto bg-sheet px-4 pt-2 pb-8 scroll-quiet"
      >
        {found.length === 0 && <p className="py-4 font-serif text-18 text-ink-2">No such word here.</p>}
        <dl className="columns-1 gap-10 mid:columns-2 wide:columns-3">
          {found.map(({ word, means }) => (
            <div key={word} className="break-inside-avoid border-b border-faint py-2">
              <dt className="font-medium">{word}</dt>
              <dd className="font-serif text-15 leading-snug text-ink-2">{means}</dd>
            </div>
          ))}
        </dl>
      </div>
    </>
  );
}
