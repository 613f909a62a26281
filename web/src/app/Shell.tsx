import { lazy, Suspense, useRef, useState } from "react";
import { Outlet, useParams } from "react-router";
import { Transport } from "../player/Transport";
import { useCommands } from "./commands";
import { DropPage } from "../components/DropPage";
import { FrameLine } from "../study/FrameLine";
import { words } from "../words/words";
import { DoneLine } from "./DoneLine";
import { FailureLine } from "./FailureLine";
import { useFrameInAddress } from "./frame";
import { useFocusOnPage } from "./useFocusOnPage";
import { IncomingLine } from "./IncomingLine";
import { LiveLine } from "./LiveLine";
import { Navigation } from "./Navigation";
import type { StudyPlace } from "./screens";
import { toggleTheme } from "./theme";
import { useDropAnywhere } from "./useDropAnywhere";
import { useProgress } from "./useProgress";
import { useSettings } from "./useSettings";
import { useTransportCommands } from "./useTransportCommands";

// What opens over a page is loaded when it is first asked for.
const KeysHelp = lazy(() => import("./KeysHelp").then((module) => ({ default: module.KeysHelp })));
const Palette = lazy(() => import("./Palette").then((module) => ({ default: module.Palette })));

/** Navigation on the left, the page, and playback along the bottom. */
export function Shell({ places }: { places: StudyPlace[] }) {
  const [open, setShown] = useState<"keys" | "palette" | null>(null);
  const [asked, setAsked] = useState({ keys: false, palette: false });
  const setOpen = (what: "keys" | "palette") => {
    setAsked((before) => ({ ...before, [what]: true }));
    setShown(what);
  };
  const close = () => setShown(null);
  useCommands([
    { key: "?", name: "these keys", group: "Anywhere", run: () => setOpen("keys") },
    { key: "Mod+k", name: "do or go to anything by name", group: "Anywhere", run: () => setOpen("palette") },
    { key: "/", name: "the same", group: "Anywhere", run: () => setOpen("palette") },
    { key: "n", name: "night or day", group: "Anywhere", run: () => void toggleTheme() },
  ]);
  useCommands(useTransportCommands());
  const study = Number(useParams().studyId) || null;
  useProgress(study ?? NaN);
  useSettings();
  const drop = useDropAnywhere(study);
  const content = useRef<HTMLElement>(null);
  useFrameInAddress(study);
  useFocusOnPage(content);

  return (
    <div className="flex h-full flex-col print:block print:h-auto">
      <a
        href="#content"
        className="sr-only focus:not-sr-only focus:fixed focus:top-1 focus:left-1 focus:z-50 focus:border focus:border-ink focus:bg-sheet focus:px-3 focus:py-1.5"
        onClick={(event) => {
          event.preventDefault();
          content.current?.focus();
        }}
      >
        {words.skipToContent}
      </a>
      <div className="flex min-h-0 grow print:block">
        <Navigation onHelp={() => setOpen("keys")} onFind={() => setOpen("palette")} places={places} />
        <main
          ref={content}
          id="content"
          tabIndex={-1}
          className="flex min-w-0 grow flex-col bg-paper outline-none print:block"
        >
          <DropPage onFiles={drop} sentence={study ? "Drop to add it to the study." : "Drop to start a study with it."}>
            <FailureLine />
            <IncomingLine />
            <FrameLine />
            <Outlet />
          </DropPage>
        </main>
      </div>
      <DoneLine />
      <div className="contents print:hidden">
        <Transport />
      </div>
      <LiveLine />
      <Suspense>
        {asked.keys && <KeysHelp open={open === "keys"} onClose={close} />}
        {asked.palette && <Palette open={open === "palette"} onClose={close} />}
      </Suspense>
    </div>
  );
}
