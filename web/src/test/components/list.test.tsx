// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { createMemoryRouter, RouterProvider } from "react-router";
import { useState } from "react";
import { describe, expect, it, vi } from "vitest";
import type { Checklist, Item } from "../../api/types";
import { get } from "../../api/client";
import { RouteFault } from "../../app/RouteFault";
import { DoneLine } from "../../app/DoneLine";
import { useDeletion } from "../../app/useDeletion";
import { ItemRow } from "../../checklist/ItemRow";
import type { List } from "../../checklist/useList";
import { timeLeft } from "../../components/useTimeLeft";
import { outline } from "../../sheet/outline";
import { words } from "../../words/words";
import { ITEM, server, show } from "./page";

describe("an item of a checklist", () => {
  const row = (change: Partial<Item> = {}) => {
    const item = { ...ITEM, ...change };
    const list = { change: vi.fn(), error: null };
    const opened = vi.fn();
    show(
      <table>
        <tbody>
          <ItemRow
            item={item}
            checklist={{ id: 2, study_id: 1, items: [item] } as Checklist}
            firstOfHeading
            open={false}
            onOpen={opened}
            place={1}
            of={1}
            list={list as unknown as List}
            standing={undefined}
            onDrop={vi.fn()}
          />
        </tbody>
      </table>,
    );
    return { change: list.change, opened };
  };

  it("is ticked with its number and title for a name", async () => {
    const { change } = row();
    await userEvent.click(screen.getByRole("checkbox", { name: "1.1 Tempo holds to the end" }));
    expect(change).toHaveBeenCalledWith(5, { state: "done" });
  });

  it("that is done is opened again, without its result", async () => {
    const { change } = row({ state: "done", result: "close" });
    expect(screen.getByText("· close", { exact: false })).toBeTruthy();
    await userEvent.click(screen.getByRole("checkbox"));
    expect(change).toHaveBeenCalledWith(5, { state: "open", result: null });
  });

  it("that was left out is neither done nor open", () => {
    row({ state: "skipped" });
    expect(screen.getByRole("checkbox").getAttribute("aria-checked")).toBe("mixed");
  });

  it("says on its line that it has a note, somebody to do it, and words that changed since", async () => {
    const { opened } = row({ note: "by ear", who: "Ana", now: { target: "98 BPM", tolerance: null } });
    const line = screen.getByRole("button", { expanded: false });
    expect(line.textContent).toBe("Tempo holds to the end for Ana note changed");
    await userEvent.click(line);
    expect(opened).toHaveBeenCalledOnce();
  });
});

describe("a deletion", () => {
  it("is undone also when what showed it has left the page", async () => {
    const sent = server([200, {}]);
    function Thing({ onGone }: { onGone: () => void }) {
      const remove = useDeletion();
      const deletion = { path: "/attempts/4", back: "return", title: "Attempt 1", stale: [], done: onGone };
      return <button onClick={() => remove(deletion)}>delete it</button>;
    }
    function Page() {
      const [there, setThere] = useState(true);
      return (
        <>
          {there && <Thing onGone={() => setThere(false)} />}
          <DoneLine />
        </>
      );
    }
    show(<Page />);
    await userEvent.click(screen.getByText("delete it"));
    await screen.findByText("“Attempt 1” is deleted.");
    expect(screen.queryByText("delete it")).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: words.undo }));
    await waitFor(() =>
      expect(sent.map(({ method, path }) => `${method} ${path}`)).toEqual([
        "DELETE /api/attempts/4",
        "POST /api/attempts/4/return",
      ]),
    );
  });
});

describe("a page that fails", () => {
  it("says so in its own place, and leaves the rest", async () => {
    const error = vi.spyOn(console, "error").mockImplementation(() => undefined);
    function Broken(): never {
      throw new Error("No such bar");
    }
    const router = createMemoryRouter([
      { path: "/", children: [{ index: true, element: <Broken />, errorElement: <RouteFault /> }] },
    ]);
    render(
      <QueryClientProvider client={new QueryClient()}>
        <RouterProvider router={router} />
      </QueryClientProvider>,
    );
    expect((await screen.findByRole("alert")).textContent).toMatch(/Nothing that you stored is lost.*No such bar/);
    expect(screen.getByRole("button", { name: words.tryAgain })).toBeTruthy();
    error.mockRestore();
  });
});

describe("a busy server", () => {
  it("is asked again when it says, and no more than three times", async () => {
    vi.useFakeTimers();
    const busy = { error: { code: "busy", message: "Busy." } };
    const sent = server([503, busy, { "retry-after": "1" }], [200, { fine: true }]);
    const answer = get("/studies");
    await vi.advanceTimersByTimeAsync(1100);
    expect(await answer).toEqual({ fine: true });
    expect(sent).toHaveLength(2);

    const never = server([503, busy, { "retry-after": "1" }]);
    const refused = expect(get("/studies")).rejects.toThrow("Busy.");
    await vi.advanceTimersByTimeAsync(5000);
    await refused;
    expect(never).toHaveLength(3);
    vi.useRealTimers();
  });

  it("that does not say when is not asked again", async () => {
    const sent = server([503, { error: { message: "The disk is full." } }]);
    await expect(get("/studies")).rejects.toThrow("The disk is full.");
    expect(sent).toHaveLength(1);
  });
});

describe("the time that work still takes", () => {
  it("comes from how fast it went, in steps of five seconds", () => {
    expect(timeLeft({ at: 0, share: 0 }, 10_000, 0.5)).toBe(10);
    expect(timeLeft({ at: 0, share: 0.5 }, 8_000, 0.75)).toBe(10);
    expect(timeLeft({ at: 0, share: 0 }, 1_000, 0.9)).toBe(5);
  });

  it("is not told before enough was seen, nor when all is done", () => {
    expect(timeLeft({ at: 0, share: 0 }, 1_000, 0.01)).toBeNull();
    expect(timeLeft({ at: 0, share: 0 }, 1_000, 1)).toBeNull();
  });
});

describe("the outline of a waveform", () => {
  const peaks = Int8Array.from([-64, 64, -32, 32]);

  it("runs along the highest samples and back along the lowest, the loudest to the edge", () => {
    expect(outline(peaks, 0, 0.02, (seconds) => seconds * 1000, 20)).toBe("M5.0,0.0L15.0,5.0L15.0,15.0L5.0,20.0Z");
  });

  it("is empty where the song has ended, and flat where it is silent", () => {
    expect(outline(peaks, 5, 6, (seconds) => seconds, 20)).toBe("");
    expect(outline(Int8Array.from([0, 0]), 0, 0.01, () => 1, 20)).toBe("M1.0,10.0L1.0,10.0Z");
  });
});
