// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { describe, expect, it, vi } from "vitest";
import { ApiError } from "../../api/client";
import type { ReferenceRow } from "../../api/types";
import { DoneLine } from "../../app/DoneLine";
import { tellDone } from "../../app/notices";
import { FrameSwitch } from "../../study/FrameSwitch";
import { ManySongs } from "../../study/ManySongs";
import { ReferenceTable } from "../../study/ReferenceTable";
import { shownSongs } from "../../study/songOrder";
import { StudyForm } from "../../study/StudyForm";
import { words } from "../../words/words";
import { server, show, songRow, STUDY, summary } from "./page";

const SONGS = [
  songRow(1, { title: "Tide", summary: summary(120, "A minor", 0.9) }),
  songRow(2, { title: "Barge", artist: "Low Water", summary: summary(84, "C major", 0.3) }),
  songRow(3, { title: "Ähre", summary: null }),
];

describe("a list of songs", () => {
  it("is sorted by what is asked, and what has no figure comes last", () => {
    const titles = (order: Parameters<typeof shownSongs>[2]) => shownSongs(SONGS, "", order).map((row) => row.title);
    expect(titles("tempo")).toEqual(["Barge", "Tide", "Ähre"]);
    expect(titles("sure")).toEqual(["Barge", "Tide", "Ähre"]);
    expect(titles("title")).toEqual(["Ähre", "Barge", "Tide"]);
    expect(titles("key")).toEqual(["Tide", "Barge", "Ähre"]);
  });

  it("holds what has all the words that are written, wherever they stand", () => {
    const found = (text: string) => shownSongs(SONGS, text, "position").map((row) => row.id);
    expect(found("minor")).toEqual([1]);
    expect(found("LOW major")).toEqual([2]);
    expect(found("ähre")).toEqual([3]);
    expect(found("low minor")).toEqual([]);
  });

  function Table({ rows }: { rows: ReferenceRow[] }) {
    const [box, setBox] = useState<HTMLDivElement | null>(null);
    return (
      <div ref={setBox}>
        <ReferenceTable rows={rows} scroller={box} />
      </div>
    );
  }

  it("is filtered and chosen; only what is in sight is chosen by all", async () => {
    server([200, { studies: [] }]);
    show(<Table rows={[...SONGS, ...[4, 5, 6, 7, 8].map((id) => songRow(id))]} />);
    await userEvent.type(screen.getByRole("textbox", { name: words.filter }), "minor");
    expect(screen.getByRole("status").textContent).toBe("1 song of 8");
    await userEvent.click(screen.getByLabelText("Select all"));
    expect(screen.getByRole("group", { name: "With the selected songs" })).toBeTruthy();
    await userEvent.clear(screen.getByRole("textbox", { name: words.filter }));
    expect(screen.getByText(`1 ${words.selected}`)).toBeTruthy();
  });

  it("says that it has more rows than it draws", () => {
    show(<Table rows={Array.from({ length: 60 }, (_, index) => songRow(index + 1))} />);
    const table = screen.getByRole("table");
    expect(table.getAttribute("aria-rowcount")).toBe("61");
    expect(within(table).queryByText("Song 60")).toBeNull();
  });
});

describe("many songs at once", () => {
  it("are deleted, and come back in one step", async () => {
    const sent = server([200, { studies: [], left: [] }]);
    const done = vi.fn();
    show(
      <>
        <ManySongs rows={SONGS} onDone={done} />
        <DoneLine />
      </>,
    );
    await userEvent.click(screen.getByRole("button", { name: words.delete }));
    expect(await screen.findByText("3 songs deleted.")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: words.undo }));
    const many = () => sent.filter(({ method }) => method === "POST").map(({ body }) => body);
    await waitFor(() =>
      expect(many()).toEqual([
        { action: "delete", ids: [1, 2, 3] },
        { action: "restore", ids: [1, 2, 3] },
      ]),
    );
    expect(done).toHaveBeenCalledOnce();
  });
});

describe("what was done", () => {
  it("is said with one button that takes it back, and goes when it was used or dismissed", async () => {
    const undo = vi.fn();
    show(<DoneLine />);
    expect(screen.queryByRole("button")).toBeNull();
    tellDone({ message: "“Tide” is deleted.", undo });
    await userEvent.click(await screen.findByRole("button", { name: words.undo }));
    expect(undo).toHaveBeenCalledOnce();
    expect(screen.queryByText("“Tide” is deleted.")).toBeNull();
    tellDone({ message: "again", undo });
    await userEvent.click(await screen.findByRole("button", { name: "Dismiss" }));
    expect(screen.queryByText("again")).toBeNull();
    expect(undo).toHaveBeenCalledOnce();
  });
});

describe("as theirs or as mine", () => {
  it("is kept in the address and remembered", async () => {
    const { router } = show(<FrameSwitch study={{ ...STUDY, target_bpm: 96 }} />, "/studies/1");
    await userEvent.click(screen.getAllByText("as mine")[0] as HTMLElement);
    expect(router.state.location.search).toBe("?as=mine");
    expect(localStorage.getItem("ethoscope-told-1")).toBe("mine");
  });

  it("asks for a tempo or a key first, and says why", async () => {
    const { router } = show(<FrameSwitch study={STUDY} />, "/studies/1");
    await userEvent.click(screen.getAllByText("as mine")[0] as HTMLElement);
    expect((await screen.findByRole("dialog")).textContent).toMatch(/this study does not say them yet/);
    expect(router.state.location.search).toBe("");
  });
});

describe("a new study", () => {
  const form = (error: Error | null = null) => {
    const save = vi.fn();
    show(<StudyForm action="Start" pending={false} error={error} onSave={save} onCancel={vi.fn()} />);
    return save;
  };

  it("needs a title only; the rest is folded away", async () => {
    const save = form();
    expect(screen.getByText(/^Optional/).closest("details")?.open).toBe(false);
    await userEvent.type(screen.getByLabelText("Title"), " Low Water ");
    await userEvent.click(screen.getByRole("button", { name: "Start" }));
    expect(save).toHaveBeenCalledWith(
      expect.objectContaining({ title: "Low Water", target_bpm: null, target_tonic: null, target_mode: null }),
    );
  });

  it("opens the fold where a field in it was wrong", () => {
    form(new ApiError(422, "invalid", "BPM must lie between 20 and 400.", "target_bpm"));
    expect(screen.getByText(/^Optional/).closest("details")?.open).toBe(true);
    expect(screen.getByText("BPM must lie between 20 and 400.")).toBeTruthy();
  });
});
