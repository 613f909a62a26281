import type { Difference, TwoInks } from "../api/types";

/** So many pixels wide is a letter of a chord symbol. */
const LETTER = 7;

interface ChordsRowProps {
  sheet: TwoInks;
  barWidth: number;
  differences: Difference[];
}

/** Chords in two lines: a dot where both agree, the attempt's own in rust where it plays another one. */
export function ChordsRow({ sheet, barWidth, differences }: ChordsRowProps) {
  const wrong = new Map(
    differences.flatMap((difference) =>
      difference.bars.flatMap(([first, last]) =>
        Array.from({ length: last - first + 1 }, (_, index) => [first + index, difference.attempt ?? "–"] as const),
      ),
    ),
  );
  return (
    <>
      {placed(sheet, barWidth).map(({ key, x, symbol }) => (
        <text key={key} x={x} y={15} fontSize="13" fill="var(--measured)">
          {symbol}
        </text>
      ))}
      {sheet.bars.map(({ bar, attempt }) => {
        const x = (bar - 1) * barWidth + 3;
        if (!attempt) return null;
        const symbol = wrong.get(bar);
        return symbol === undefined ? (
          <circle key={bar} cx={x + 3} cy={33} r="1.2" fill="var(--mine)" />
        ) : (
          <text key={bar} x={x} y={37} fontSize="13" fontWeight="600" fill="var(--conflict)">
            {symbol}
          </text>
        );
      })}
    </>
  );
}

/** Symbols of the reference as far as there is room for them. */
function placed(sheet: TwoInks, barWidth: number) {
  const beats = Math.max(
    ...sheet.chords.reference.flatMap((bar) => bar.map((chord) => chord.beat + chord.beats - 1)),
    4,
  );
  let free = -1;
  return sheet.chords.reference.flatMap((chords, index) =>
    chords.flatMap((chord) => {
      const x = index * barWidth + ((chord.beat - 1) / Math.min(beats, 8)) * barWidth + 3;
      if (x < free) return [];
      free = x + chord.symbol.length * LETTER + 3;
      return [{ key: `${index} ${chord.beat}`, x, symbol: chord.symbol }];
    }),
  );
}
