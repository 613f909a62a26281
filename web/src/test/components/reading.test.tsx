// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import { ApiError } from "../../api/client";
import type { ReferencePage } from "../../api/types";
import { Fold } from "../../components/Fold";
import { Decide } from "../../sheet/card/Decide";
import { SheetContext, type SheetState } from "../../sheet/context";
import { Alternatives, alternativesOf } from "../../sheet/drawer/Alternatives";
import { CorrectionForm } from "../../sheet/drawer/CorrectionForm";
import { useEdits } from "../../sheet/useEdits";
import { words } from "../../words/words";
import { song } from "../song";
import { READING, server, show, songRow } from "./page";

const PAGE: ReferencePage = {
  reference: { ...songRow(3), run: null },
  analysis: song(8, ["Am"]),
  problem: null,
  readings: [READING],
  current: { tempo: 7 },
  contradictions: {},
  journal: { revision: 4, undo: null, redo: null, edits: [] },
  derivation: null,
  stems: [],
  score: null,
  table: null,
  frame: null,
};

const COUNTS = [
  { bpm: 79.0, meter: "4/4", odds: 0.5, relation: "", reason: "" },
  { bpm: 118.5, meter: "4/4", odds: 0.3, relation: "3:2", reason: "the same beats, in threes" },
  { bpm: 79.0, meter: "6/8", odds: 0.2, relation: "1:1", reason: "eighths go in threes" },
];

describe("alternatives", () => {
  const taken = { count: vi.fn(() => Promise.resolve()), value: vi.fn(() => Promise.resolve()) };
  const analysis = song(8, ["Am"], { counts: COUNTS });

  it("take a tempo with its meter in one click", async () => {
    const sheet = { page: PAGE } as SheetState;
    show(
      <SheetContext value={sheet}>
        <Alternatives alternatives={alternativesOf(analysis, "tempo", taken)} />
      </SheetContext>,
    );
    await userEvent.click(screen.getByRole("button", { name: /118\.50, 4\/4/ }));
    expect(taken.count).toHaveBeenCalledExactlyOnceWith(118.5, "4/4");
    expect(screen.getByText("30 %")).toBeTruthy();
  });

  it("put other meters of the same tempo first on the meter's card", () => {
    const labels = alternativesOf(analysis, "meter", taken).map(({ label }) => label);
    expect(labels).toEqual(["79.00, 6/8", "118.50, 4/4"]);
  });

  it("are told apart where an older engine told them so", async () => {
    const old = song(8, ["Am"], {
      meters: [
        { name: "4/4", odds: 0.6 },
        { name: "3/4", odds: 0.4 },
      ],
    });
    const [only] = alternativesOf(old, "meter", taken);
    await only?.take();
    expect(taken.value).toHaveBeenCalledWith({ name: "3/4" });
  });

  it("show nothing where there is no other choice", () => {
    show(
      <SheetContext value={{ page: PAGE } as SheetState}>
        <Alternatives alternatives={[]} />
      </SheetContext>,
    );
    expect(screen.queryByText(words.alternatives)).toBeNull();
  });
});

describe("deciding", () => {
  const why = { note: "", link: "" };

  it("confirms and calls wrong in one click, or with a key", async () => {
    const mark = vi.fn();
    show(<Decide state="open" onMark={mark} />);
    await userEvent.click(screen.getByRole("button", { name: words.confirm }));
    await userEvent.click(screen.getByRole("button", { name: words.wrong }));
    await userEvent.keyboard("c");
    expect(mark.mock.calls).toEqual([["confirmed"], ["refuted"], ["confirmed"]]);
  });

  it("carries a reason and where that is said", async () => {
    const mark = vi.fn();
    show(<Decide state="open" onMark={mark} why={why} />);
    await userEvent.click(screen.getByRole("button", { name: words.addReason }));
    await userEvent.type(screen.getByRole("textbox", { name: words.reason }), "the drummer says so");
    await userEvent.type(screen.getByRole("textbox", { name: words.link }), "https://a.example");
    await userEvent.click(screen.getByRole("button", { name: words.confirm }));
    expect(mark).toHaveBeenCalledWith("confirmed", { note: "the drummer says so", link: "https://a.example" });
  });

  it("leaves the reason with Escape, and decides nothing", async () => {
    const mark = vi.fn();
    show(<Decide state="open" onMark={mark} why={why} />);
    await userEvent.click(screen.getByRole("button", { name: words.addReason }));
    await userEvent.type(screen.getByRole("textbox", { name: words.reason }), "no{Escape}");
    expect(screen.queryByRole("textbox", { name: words.reason })).toBeNull();
    expect(mark).not.toHaveBeenCalled();
  });

  it("reopens what is settled, and does not call wrong what is moved instead", async () => {
    const mark = vi.fn();
    show(<Decide state="confirmed" onMark={mark} refutable={false} />);
    expect(screen.queryByRole("button", { name: words.wrong })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: words.reopen }));
    expect(mark).toHaveBeenCalledWith("open");
  });
});

describe("a correction", () => {
  const form = (save = vi.fn(), cancel = vi.fn(), error: Error | null = null) => {
    show(
      <CorrectionForm
        aspect="tempo"
        reading={READING}
        title="Correct"
        action="Save"
        error={error}
        onSave={save}
        onCancel={cancel}
      />,
    );
    return { save, cancel };
  };

  it("halves and doubles, takes a decimal comma, and says how one knows", async () => {
    const { save } = form();
    await userEvent.click(screen.getByRole("button", { name: "double" }));
    expect(screen.getByLabelText<HTMLInputElement>("BPM").value).toBe("192.00");
    await userEvent.clear(screen.getByLabelText("BPM"));
    await userEvent.type(screen.getByLabelText("BPM"), "95,5");
    await userEvent.type(screen.getByLabelText("Note"), "counted");
    await userEvent.click(screen.getByRole("button", { name: "Save" }));
    expect(save).toHaveBeenCalledWith({ value: { bpm: "95.5" }, source: "heard", note: "counted", link: "" });
  });

  it("is left with Escape", async () => {
    const { save, cancel } = form();
    await userEvent.keyboard("{Escape}");
    expect(cancel).toHaveBeenCalledOnce();
    expect(save).not.toHaveBeenCalled();
  });

  it("says beside the field what was wrong", () => {
    form(vi.fn(), vi.fn(), new ApiError(422, "invalid", "BPM must lie between 20 and 400.", "value"));
    const field = screen.getByLabelText("BPM");
    expect(field.getAttribute("aria-invalid")).toBe("true");
    expect(screen.getByText("BPM must lie between 20 and 400.")).toBeTruthy();
  });
});

describe("edits", () => {
  function Sheet({ page = PAGE }: { page?: ReferencePage }) {
    const edits = useEdits(page);
    return (
      <>
        <button onClick={() => void edits.mark(7, "confirmed")}>confirm</button>
        <button onClick={() => void edits.correct(7, { value: { bpm: 90 } })}>correct</button>
        {edits.error && <p role="alert">{edits.error.message}</p>}
        {edits.stale && (
          <p>
            {edits.stale.labels.join()} <button onClick={edits.stale.onTop}>on top</button>
          </p>
        )}
      </>
    );
  }

  it("go one after another, each on the revision that the one before made", async () => {
    const sent = server([200, { revision: 5 }], [200, { revision: 6 }]);
    show(<Sheet />);
    await userEvent.click(screen.getByText("confirm"));
    await userEvent.click(screen.getByText("correct"));
    await waitFor(() =>
      expect(sent.map(({ path }) => path)).toEqual(["/api/readings/7", "/api/readings/7/corrections"]),
    );
  });

  it("that another window overtook can be put on top", async () => {
    const refused = { error: { code: "stale", message: "It has moved on.", revision: 9, labels: ["key"] } };
    const sent = server([409, refused], [200, { revision: 10 }]);
    show(<Sheet />);
    await userEvent.click(screen.getByText("correct"));
    await userEvent.click(await screen.findByText("on top"));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]?.body).toEqual({ value: { bpm: 90 } });
  });

  it("as mine correct nothing that was heard in theirs, but may confirm it", async () => {
    const sent = server([200, { revision: 5 }]);
    const frame = { ratio: 1 } as ReferencePage["frame"];
    show(<Sheet page={{ ...PAGE, frame }} />);
    await userEvent.click(screen.getByText("correct"));
    expect((await screen.findByRole("alert")).textContent).toMatch(/Switch to as theirs/);
    expect(sent).toHaveLength(0);
    await userEvent.click(screen.getByText("confirm"));
    await waitFor(() => expect(sent).toHaveLength(1));
  });
});

describe("a fold", () => {
  it("remembers how it was left while the page is open, and keeps what is in it", async () => {
    const { unmount } = show(<Fold title="Evidence of a test">inside</Fold>);
    const fold = () => screen.getByText("inside", { exact: false }).closest("details");
    expect(fold()?.open).toBe(false);
    await userEvent.click(screen.getByText("Evidence of a test"));
    await waitFor(() => expect(fold()?.open).toBe(true));
    unmount();
    show(<Fold title="Evidence of a test">inside</Fold>);
    expect(fold()?.open).toBe(true);
  });
});
