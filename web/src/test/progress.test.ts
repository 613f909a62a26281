import { QueryClient } from "@tanstack/react-query";
import { afterEach, describe, expect, it, vi } from "vitest";
import { keys } from "../api/keys";
import { progressQuery } from "../api/queries";
import type { Assembly, ReferencePage, ReferenceRow, Run, StudyPage, WorkRun } from "../api/types";
import { busy, endedSince, nameOf, staleAfter, withRun, withRuns } from "../app/useProgress";

const run = (state: WorkRun["state"], more: Partial<WorkRun> = {}): WorkRun => ({
  kind: "analysis",
  id: 1,
  reference_id: 1,
  state,
  stage: null,
  progress: 0,
  error: null,
  ...more,
});

const row = (id: number, state: Run["state"]) => ({ id, analysis: { id, state } }) as ReferenceRow;

describe("how far the work is", () => {
  afterEach(() => vi.unstubAllGlobals());

  it("gives each song its newest run and keeps what is not told", () => {
    const page = { references: [row(1, "queued"), row(2, "done")], assemblies: [] as Assembly[] } as StudyPage;
    const now = withRuns(page, [run("running", { progress: 0.4, stage: "chords" })]);
    expect(now.references.map((reference) => reference.analysis?.state)).toEqual(["running", "done"]);
    expect(now.references[0]?.analysis).toMatchObject({ progress: 0.4, stage: "chords" });
    expect(page.references[0]?.analysis?.state).toBe("queued");
  });

  it("tells songs that are put together from analyses of the same number", () => {
    const page = { references: [row(7, "done")], assemblies: [{ id: 7, state: "queued" }] } as unknown as StudyPage;
    const now = withRuns(page, [run("running", { kind: "assembly", id: 7, reference_id: null, progress: 0.5 })]);
    expect([now.references[0]?.analysis?.state, now.assemblies[0]?.progress]).toEqual(["done", 0.5]);
  });

  it("puts derivations and stems into the page of their song", () => {
    const page = {
      derivation: { state: "queued", stage: null, progress: 0, error: null },
      stems: [{ id: 3, state: "queued", progress: 0 }],
    } as ReferencePage;
    const derived = withRun(page, run("running", { kind: "derivation", stage: "form", progress: 0.8 }));
    expect(derived.derivation).toEqual({ state: "running", stage: "form", progress: 0.8, error: null });
    const stems = withRun(page, run("running", { kind: "stem", id: 3, progress: 0.2 })).stems;
    expect(stems[0]).toMatchObject({ state: "running", progress: 0.2 });
    expect(withRun(page, run("running"))).toBe(page);
  });

  it("tells which work ended since the last answer, for better or worse, or went away", () => {
    const before = busy([
      run("running"),
      run("queued", { reference_id: 2 }),
      run("running", { kind: "stem", id: 9, reference_id: 4 }),
    ]);
    expect([...before]).toEqual(["analysis of 1", "analysis of 2", "stem 9"]);
    expect(endedSince(before, [run("done"), run("running", { reference_id: 2 })])).toEqual(["analysis of 1", "stem 9"]);
    expect(endedSince(before, [run("failed"), run("failed", { reference_id: 2 })])).toHaveLength(3);
    expect(endedSince(new Set(), [run("done")])).toEqual([]);
  });

  it("knows a derivation by its song, for another one may have taken its place", () => {
    const first = run("running", { kind: "derivation", id: 5 });
    expect(endedSince(busy([first]), [{ ...first, id: 6 }])).toEqual([]);
    expect(nameOf(first)).toBe("derivation of 1");
  });

  it("asks again for what rests on the work that ended, and for nothing when none has", () => {
    expect(staleAfter([], 3, [])).toEqual([]);
    const asked = staleAfter(["derivation of 5", "stem 9", "assembly 2"], 3, [
      run("done", { kind: "stem", id: 9, reference_id: 4 }),
    ]);
    expect(asked).toContainEqual(keys.study(3));
    expect(asked).toContainEqual(keys.reference(5));
    expect(asked).toContainEqual(keys.reference(4));
    expect(asked).toHaveLength(7);
  });

  it("says what it has seen, and keeps it while there is nothing new", async () => {
    const answers = [{ edition: 7, runs: [run("running")] }, { edition: 7 }, { edition: 8, runs: [run("done")] }];
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
      states.push(progress.runs[0]?.state);
    }
    expect(states).toEqual(["running", "running", "done"]);
    expect(asked).toEqual(["", "7", "7"].map((seen) => `/api/studies/3/progress?seen=${seen}`));
  });
});
