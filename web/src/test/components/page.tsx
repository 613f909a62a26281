import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render } from "@testing-library/react";
import { type ReactNode } from "react";
import { createMemoryRouter, RouterProvider } from "react-router";
import { afterEach, beforeEach, vi } from "vitest";
import type { Item, Reading, ReferenceRow, Study } from "../../api/types";
import { CardSlots } from "../../sheet/card/slots";

/** Radix measures what it draws; here nothing has a size. */
class NoSizes {
  observe() {}
  unobserve() {}
  disconnect() {}
}

beforeEach(() => vi.stubGlobal("ResizeObserver", NoSizes));

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  localStorage.clear();
});

/** Shows a component as a page of the application does: with queries, an address, and a card's foot. */
export function show(node: ReactNode, path = "/") {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const foot = document.body.appendChild(document.createElement("div"));
  const router = createMemoryRouter([{ path: "*", element: node }], { initialEntries: [path] });
  const shown = render(
    <QueryClientProvider client={client}>
      <CardSlots value={{ head: null, foot }}>
        <RouterProvider router={router} />
      </CardSlots>
    </QueryClientProvider>,
    { baseElement: document.body },
  );
  return { ...shown, client, router };
}

export interface Sent {
  method: string;
  path: string;
  body: unknown;
}

/** A server that notes what it is asked, and answers in turn; the last answer is given again. */
export function server(...answers: [status: number, body: unknown, headers?: Record<string, string>][]): Sent[] {
  const sent: Sent[] = [];
  vi.stubGlobal("fetch", (path: string, init?: RequestInit) => {
    const body: unknown = typeof init?.body === "string" ? JSON.parse(init.body) : null;
    sent.push({ method: init?.method ?? "GET", path, body });
    const [status, answer, headers] = answers[Math.min(sent.length, answers.length) - 1] ?? [200, {}];
    return Promise.resolve(new Response(JSON.stringify(answer), headers ? { status, headers } : { status }));
  });
  return sent;
}

export function songRow(id: number, change: Partial<ReferenceRow> = {}): ReferenceRow {
  return {
    id,
    study_id: 1,
    recording_id: id,
    title: `Song ${id}`,
    artist: null,
    original_name: "song.wav",
    position: id,
    created_at: "2026-01-01",
    deleted_at: null,
    revision: 1,
    applied: 1,
    attempt: false,
    standing: "core",
    words: [],
    credits: [],
    analysis: null,
    marks: {},
    summary: null,
    problem: null,
    ...change,
  };
}

export function summary(bpm: number, key: string, sure = 0.9): NonNullable<ReferenceRow["summary"]> {
  return {
    bpm,
    moves: null,
    sure: { tempo: sure, key: sure },
    meter: "4/4",
    key,
    bars: 16,
    duration: 40,
    lufs: -12,
    sections: 4,
    loop: null,
  };
}

export const STUDY: Study = {
  id: 1,
  title: "Low Water",
  aim: "style",
  scope_from: null,
  scope_bar: null,
  target_bpm: null,
  target_tonic: null,
  target_mode: null,
  target_way: "tonic",
  target_meter: null,
  created_at: "2026-01-01",
  deleted_at: null,
};

export const READING: Reading = {
  id: 7,
  reference_id: 3,
  analysis_id: 1,
  supersedes_id: null,
  aspect: "tempo",
  value: { bpm: 96 },
  statement: "96.00 BPM",
  note: "",
  why: "",
  rivals: [],
  first_bar: null,
  last_bar: null,
  source: "measured",
  confidence: 0.6,
  state: "open",
  link: "",
  reason: "",
  created_at: "2026-01-01",
  starts_at: null,
  ends_at: null,
};

export const ITEM: Item = {
  id: 5,
  checklist_id: 2,
  reading_id: 7,
  position: 1,
  number: "1.1",
  stage: "tempo",
  heading: "Tempo",
  title: "Tempo holds to the end",
  target: "96.00 BPM",
  tolerance: "±0.5 BPM",
  targets: [],
  minutes: 5,
  steps: [],
  fallback: "",
  from: "you",
  about: null,
  state: "open",
  result: null,
  why: "",
  note: "",
  own: false,
  who: "",
  links: [],
  pins: [],
  extra: 0,
  started_at: null,
  spent: 0,
};
