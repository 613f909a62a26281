import type { Analysis, Bar } from "../api/types";

export type Zoom = "song" | "section" | "bar";

/** Where bars and seconds lie on the sheet, in pixels from the left edge of bar 1. */
export interface Geometry {
  barWidth: number;
  width: number;
  /** Bars that share one cell of ink; more than one only where a song would not fit. */
  perCell: number;
  bars: Bar[];
  xOfBar: (bar: number) => number;
  xOfTime: (seconds: number) => number;
  timeOfX: (x: number) => number;
}

const WIDEST_BAR = 40;
const NARROWEST_CELL = 5;
const SECTION_BARS = 16;
const CLOSE_BARS = 4;

/** The whole song fits the width; a section shows sixteen bars, a bar four with their beats. */
export function geometryOf(analysis: Analysis, available: number, zoom: Zoom): Geometry {
  const bars = analysis.bars;
  const shown = zoom === "song" ? bars.length : Math.min(bars.length, zoom === "section" ? SECTION_BARS : CLOSE_BARS);
  const fitted = available / Math.max(1, shown);
  const barWidth = zoom === "song" ? Math.min(WIDEST_BAR, fitted) : fitted;
  const perCell = Math.max(1, Math.ceil(NARROWEST_CELL / barWidth));
  const xOfBar = (bar: number) => (bar - 1) * barWidth;
  const first = bars[0]?.start ?? 0;
  const last = bars.at(-1)?.end ?? 0;

  const xOfTime = (seconds: number) => {
    if (seconds <= first) return 0;
    if (seconds >= last) return bars.length * barWidth;
    const index = indexAt(bars, seconds);
    const bar = bars[index];
    return bar ? (index + (seconds - bar.start) / (bar.end - bar.start)) * barWidth : 0;
  };
  const timeOfX = (x: number) => {
    const place = Math.min(Math.max(0, x / barWidth), bars.length - 1e-6);
    const bar = bars[Math.floor(place)];
    return bar ? bar.start + (place % 1) * (bar.end - bar.start) : 0;
  };
  return { barWidth, width: bars.length * barWidth, perCell, bars, xOfBar, xOfTime, timeOfX };
}

function indexAt(bars: Bar[], seconds: number): number {
  let low = 0;
  let high = bars.length - 1;
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if ((bars[middle]?.start ?? 0) <= seconds) low = middle;
    else high = middle - 1;
  }
  return low;
}
