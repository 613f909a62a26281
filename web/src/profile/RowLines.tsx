import { ROW } from "./scales";

interface RowLinesProps {
  width: number;
  count: number;
}

/** The rules between the rows of a plot that has one row a song. */
export function RowLines({ width, count }: RowLinesProps) {
  return Array.from({ length: count + 1 }, (_, index) => (
    <line
      key={index}
      x1="0"
      x2={width}
      y1={index === 0 ? 0.5 : index * ROW - 0.5}
      y2={index === 0 ? 0.5 : index * ROW - 0.5}
      stroke={index === 0 ? "var(--rule)" : "var(--rule-faint)"}
    />
  ));
}
