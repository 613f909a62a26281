import { afterEach, describe, expect, it, vi } from "vitest";
import { ApiError, get, upload, write } from "../api/client";
import { isBusy } from "../app/useProgress";
import { stageName } from "../components/Progress";
import type { Run } from "../api/types";

const answer = (status: number, body: unknown) =>
  vi.fn(() => Promise.resolve(new Response(JSON.stringify(body), { status })));

const stub = (fetcher: unknown) => {
  vi.stubGlobal("fetch", fetcher);
  return fetcher as ReturnType<typeof vi.fn>;
};

describe("the API client", () => {
  afterEach(() => vi.unstubAllGlobals());

  it("reads data under /api", async () => {
    const fetcher = stub(answer(200, { studies: [] }));
    expect(await get("/studies")).toEqual({ studies: [] });
    expect(fetcher.mock.calls[0]?.[0]).toBe("/api/studies");
  });

  it("writes JSON", async () => {
    const fetcher = stub(answer(201, { study: { id: 1 } }));
    await write("POST", "/studies", { title: "Low Water" });
    expect(fetcher.mock.calls[0]?.[1]).toMatchObject({
      method: "POST",
      headers: { "content-type": "application/json" },
      body: '{"title":"Low Water"}',
    });
  });

  it("sends the bytes of a file with its name as data", async () => {
    const fetcher = stub(answer(201, {}));
    const file = new File(["bytes"], "ünter wegs/2.wav");
    await upload("/studies/1/references", file);
    expect(fetcher.mock.calls[0]?.[1]).toMatchObject({
      body: file,
      headers: { "content-type": "application/octet-stream", "x-file-name": "%C3%BCnter%20wegs%2F2.wav" },
    });
  });

  it("turns an error of the server into its sentence, code and field", async () => {
    stub(answer(422, { error: { code: "invalid", message: "Title must be filled.", field: "title" } }));
    const error = await write("POST", "/studies").catch((thrown: unknown) => thrown);
    expect(error).toBeInstanceOf(ApiError);
    expect(error).toMatchObject({ status: 422, code: "invalid", message: "Title must be filled.", field: "title" });
  });

  it("has a sentence where the server sent none", async () => {
    stub(vi.fn(() => Promise.resolve(new Response("<h1>Bad gateway</h1>", { status: 502 }))));
    await expect(get("/studies")).rejects.toMatchObject({ code: "unknown", message: "The server answered 502." });
  });

  it("says so when nobody answers", async () => {
    stub(vi.fn(() => Promise.reject(new TypeError("Failed to fetch"))));
    await expect(get("/studies")).rejects.toMatchObject({
      status: 0,
      code: "offline",
      message: "Ethoscope does not answer. Is it still running?",
    });
  });
});

describe("an analysis under way", () => {
  const run = (state: Run["state"]) => ({ state }) as Run;

  it("is busy while it waits or runs", () => {
    expect([run("queued"), run("running"), run("done"), run("failed"), null].map(isBusy)).toEqual([
      true,
      true,
      false,
      false,
      false,
    ]);
  });

  it("names its stages for people", () => {
    expect(stageName("rhythm")).toBe("tempo and beats");
    expect(stageName("something new")).toBe("something new");
    expect(stageName(null)).toBe("waiting");
  });
});
