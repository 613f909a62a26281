import { BEATS } from "../api/contract";
import type { Analysis, Bar } from "../api/types";

export type Zoom = "song" | "section" | "bar";

/** Where bars and seconds lie on the sheet, in pixels from the left edge of bar 1. */
export interface Geometry {
  barWidth: number;
  width: number;
  /** Bars that share one cell of ink; more than one only where a song would not fit. */
  perCell: number;
  bars: Bar[];
  /** Rows and the energy profile grow into room that would stay empty. */
  rowHeight: number;
  energyHeight: number;
  /** Whether bars are so wide that single notes are drawn. */
  close: boolean;
  /** How many bars fit the width. */
  shown: number;
  xOfBar: (bar: number) => number;
  xOfTime: (seconds: number) => number;
  timeOfX: (x: number) => number;
}

const WIDEST_BAR = 40;
const NARROWEST_CELL = 5;
const SECTION_BARS = 16;
const CLOSE_BARS = 4;
const ROW = { least: 21, most: 26 };
const ENERGY = { least: 62, most: 120 };
/** Everything on the sheet that is neither a layer row nor the energy profile. */
const OTHER_ROWS = 232;

export interface Room {
  width: number;
  height: number;
  /** How many layer rows there are. */
  rows: number;
}

/** The whole song fits the width; a section shows sixteen bars, a bar four with their beats. */
export function geometryOf(analysis: Analysis, room: Room, zoom: Zoom): Geometry {
  const bars = analysis.bars;
  const shown = zoom === "song" ? bars.length : Math.min(bars.length, zoom === "section" ? SECTION_BARS : CLOSE_BARS);
  const fitted = room.width / Math.max(1, shown);
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
  const spare = Math.max(0, room.height - OTHER_ROWS - ENERGY.least - room.rows * ROW.least);
  const rowHeight = Math.min(ROW.most, ROW.least + Math.floor(spare / (room.rows + 8)));
  const energyHeight = Math.min(ENERGY.most, ENERGY.least + Math.floor(spare / 2));
  return {
    barWidth,
    width: bars.length * barWidth,
    perCell,
    bars,
    rowHeight,
    energyHeight,
    close: zoom === "bar",
    shown,
    xOfBar,
    xOfTime,
    timeOfX,
  };
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

/** Width of a figure in the ruler, and of the space around a number. */
const FIGURE = 7;
const AROUND = 8;

/** How many numbers a bar has: one for each beat, or where they have no room one for the bar. */
export function beatsNumbered({ barWidth, bars }: Pick<Geometry, "barWidth" | "bars">, meter: string): number {
  const beats = BEATS[meter] ?? 4;
  return barWidth / beats >= FIGURE * `${bars.length}.${beats}`.length + AROUND ? beats : 1;
}
