import { QueryClient } from "@tanstack/react-query";
import { afterEach, describe, expect, it, vi } from "vitest";
import { progressQuery } from "../api/queries";
import type { ReferenceRow, Run, StudyPage } from "../api/types";
import { endedSince, withRuns } from "../app/useProgress";

const run = (state: Run["state"], progress = 0): Run => ({
  id: 1,
  recording_id: 1,
  state,
  stage: null,
  progress,
  error: null,
  engine_version: null,
  created_at: "",
  finished_at: null,
});

const row = (id: number, analysis: Run | null) => ({ id, analysis }) as ReferenceRow;

describe("how far the work is", () => {
  afterEach(() => vi.unstubAllGlobals());

  it("gives each reference its newest run and keeps what is not told", () => {
    const page = { references: [row(1, run("queued")), row(2, run("done"))] } as StudyPage;
    const now = withRuns(page, { 1: run("running", 0.4), 2: null });
    expect(now.references.map((reference) => reference.analysis?.state)).toEqual(["running", "done"]);
    expect(page.references[0]?.analysis?.state).toBe("queued");
  });

  it("tells which analyses ended since the last answer, for better or worse", () => {
    const before = { 1: run("running"), 2: run("running"), 3: run("done"), 4: null };
    expect(endedSince(before, { 1: run("done"), 2: run("running", 0.9), 3: run("done"), 4: null })).toEqual([1]);
    expect(endedSince(before, { 1: run("failed"), 2: run("failed") })).toEqual([1, 2]);
    expect(endedSince({}, { 1: run("done") })).toEqual([1]);
  });

  it("says what it has seen, and keeps it while there is nothing new", async () => {
    const answers = [
      { edition: 7, runs: { 1: run("running") } },
      { edition: 7 },
      { edition: 8, runs: { 1: run("done") } },
    ];
    const asked: string[] = [];
    vi.stubGlobal("fetch", (path: string) => {
      asked.push(path);
      return Promise.resolve(new Response(JSON.stringify(answers[asked.length - 1])));
    });
    const client = new QueryClient();
    const query = progressQuery(client, 3);
    const states: (string | undefined)[] = [];
    for (let round = 0; round < 3; round++) {
      const progress = await client.fetchQuery({ ...query, staleTime: 0 });
      states.push(progress.runs[1]?.state);
    }
    expect(states).toEqual(["running", "running", "done"]);
    expect(asked).toEqual(["", "7", "7"].map((seen) => `/api/studies/3/progress?seen=${seen}`));
  });
});
