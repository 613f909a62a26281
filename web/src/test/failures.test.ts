import { afterEach, describe, expect, it, vi } from "vitest";
import { ApiError } from "../api/client";
import { queryClient } from "../app/queryClient";
import { tellFailure } from "../app/failures";

vi.mock("../app/failures", { spy: true });

const failing = (meta: Record<string, unknown> | undefined, error: Error) =>
  queryClient
    .getMutationCache()
    .build(queryClient, { meta, mutationFn: () => Promise.reject(error) })
    .execute(undefined)
    .catch(() => undefined);

describe("a change that fails", () => {
  afterEach(() => vi.clearAllMocks());

  it("is told along the top of the page where it has no place of its own", async () => {
    await failing(undefined, new ApiError(409, "deriving", "Still being worked in."));
    expect(vi.mocked(tellFailure).mock.calls).toEqual([[null], ["Still being worked in."]]);
  });

  it("is left to the place that tells it", async () => {
    await failing({ told: false }, new Error("told in its form"));
    expect(vi.mocked(tellFailure).mock.calls).toEqual([[null]]);
  });
});
