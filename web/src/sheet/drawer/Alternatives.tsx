import { useState } from "react";
import type { Analysis, Aspect } from "../../api/types";
import { isWaiting } from "../../api/queries";
import { percent } from "../../lib/format";
import { confidenceStep, inkColour } from "../../lib/ink";
import { signs } from "../../lib/format";
import { words } from "../../words/words";
import { Part } from "../card/Part";
import { useSheet } from "../context";

/** Something else that a reading could be, and what takes it. */
export interface Alternative {
  label: string;
  odds: number;
  why?: string;
  take: () => Promise<unknown>;
}

const MOST = 5;

/** What else it could be, the likeliest first: each is a button that takes it. */
export function Alternatives({ alternatives }: { alternatives: Alternative[] }) {
  const { page } = useSheet();
  const [taken, setTaken] = useState<string | null>(null);
  const working = isWaiting(page.derivation?.state);
  if (alternatives.length === 0) return null;
  const take = async (one: Alternative) => {
    setTaken(one.label);
    await one.take();
    setTaken(null);
  };
  return (
    <Part title={words.alternatives} aside={words.likelihood}>
      <ul className="flex flex-col gap-1" aria-busy={taken !== null || working}>
        {alternatives.slice(0, MOST).map((one) => (
          <li key={one.label}>
            <button
              type="button"
              disabled={taken !== null}
              onClick={() => void take(one)}
              title={one.why ? `${one.label}: ${one.why}` : `Take ${one.label}`}
              className="grid min-h-7 w-full grid-cols-[minmax(0,1fr)_62px_38px] items-center gap-2 rounded-sm border border-firm px-2 text-left hover:bg-wash disabled:border-dotted"
            >
              <span className="truncate font-medium">{one.label}</span>
              <span aria-hidden className="h-swatch bg-deep">
                <span
                  className="block h-full border border-measured"
                  style={{
                    width: `${Math.max(3, one.odds * 100)}%`,
                    background: inkColour(confidenceStep(one.odds)),
                  }}
                />
              </span>
              <span className="figure text-right text-ink-2">{taken === one.label ? "…" : percent(one.odds)}</span>
            </button>
          </li>
        ))}
      </ul>
    </Part>
  );
}

interface Takers {
  /** Takes a tempo with its meter. */
  count: (bpm: number, meter: string) => Promise<unknown>;
  value: (value: Record<string, unknown>) => Promise<unknown>;
}

/** The alternatives of an aspect: tempo and meter as pairs, keys by name. */
export function alternativesOf(analysis: Analysis, aspect: Aspect, take: Takers): Alternative[] {
  const chosen = analysis.counts[0];
  if (aspect === "tempo" || aspect === "meter") {
    const pairs = analysis.counts.slice(1);
    if (!chosen) return singles(analysis, aspect, take);
    const mine = aspect === "tempo" ? pairs : [...pairs].sort((a, b) => nearness(b, chosen) - nearness(a, chosen));
    return mine.map(({ bpm, meter, odds, reason }) => ({
      label: `${bpm.toFixed(2)}, ${meter}`,
      odds,
      why: reason,
      take: () => take.count(bpm, meter),
    }));
  }
  if (aspect === "key")
    return (analysis.key?.rivals ?? []).map(({ tonic, mode, odds }) => ({
      label: signs(`${tonic} ${mode}`),
      odds,
      take: () => take.value({ tonic, mode }),
    }));
  return [];
}

/** On the meter's card other meters of the same tempo come first. */
function nearness(pair: { bpm: number }, chosen: { bpm: number }): number {
  return Math.abs(pair.bpm / chosen.bpm - 1) < 0.02 ? 1 : 0;
}

/** Analyses of older engines tell tempi and meters apart. */
function singles(analysis: Analysis, aspect: Aspect, take: Takers): Alternative[] {
  if (aspect === "tempo")
    return analysis.tempo.candidates.slice(1).map(({ bpm, odds, reason }) => ({
      label: `${bpm.toFixed(2)} BPM`,
      odds,
      why: reason,
      take: () => take.value({ bpm }),
    }));
  return analysis.meters.slice(1).map(({ name, odds }) => ({ label: name, odds, take: () => take.value({ name }) }));
}
