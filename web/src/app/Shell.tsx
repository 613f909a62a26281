import { useState } from "react";
import { Outlet, useParams } from "react-router";
import { Transport } from "../player/Transport";
import { useCommands } from "./commands";
import { DropPage } from "../components/DropPage";
import { FrameLine } from "../study/FrameLine";
import { FailureLine } from "./FailureLine";
import { IncomingLine } from "./IncomingLine";
import { KeysHelp } from "./KeysHelp";
import { LiveLine } from "./LiveLine";
import { Navigation } from "./Navigation";
import { Palette } from "./Palette";
import type { StudyPlace } from "./screens";
import { toggleTheme } from "./theme";
import { useDropAnywhere } from "./useDropAnywhere";
import { useProgress } from "./useProgress";
import { useSettings } from "./useSettings";
import { useTransportCommands } from "./useTransportCommands";

/** Navigation on the left, the page, and playback along the bottom. */
export function Shell({ places }: { places: StudyPlace[] }) {
  const [open, setOpen] = useState<"keys" | "palette" | null>(null);
  const close = () => setOpen(null);
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

  return (
    <div className="flex h-full flex-col print:block print:h-auto">
      <div className="flex min-h-0 grow print:block">
        <Navigation onHelp={() => setOpen("keys")} places={places} />
        <main className="flex min-w-0 grow flex-col bg-paper print:block">
          <DropPage onFiles={drop} sentence={study ? "Drop to add it to the study." : "Drop to start a study with it."}>
            <FailureLine />
            <IncomingLine />
            <FrameLine />
            <Outlet />
          </DropPage>
        </main>
      </div>
      <div className="contents print:hidden">
        <Transport />
      </div>
      <LiveLine />
      <KeysHelp open={open === "keys"} onClose={close} />
      <Palette open={open === "palette"} onClose={close} />
    </div>
  );
}
