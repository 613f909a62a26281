import { AudioLines, BookOpenText, Layers2, ListChecks, NotebookPen, Rows3, Sigma } from "lucide-react";
import type { ReactNode } from "react";
import type { RouteObject } from "react-router";
import type { StudyPage } from "../api/types";
import { plural } from "../lib/format";
import { AttemptPaperScreen } from "../screens/AttemptPaperScreen";
import { AttemptsScreen } from "../screens/AttemptsScreen";
import { ChecklistScreen } from "../screens/ChecklistScreen";
import { ChecklistsScreen } from "../screens/ChecklistsScreen";
import { ComparisonScreen } from "../screens/ComparisonScreen";
import { LayersScreen } from "../screens/LayersScreen";
import { LogbookScreen } from "../screens/LogbookScreen";
import { NewStudyScreen } from "../screens/NewStudyScreen";
import { NotFoundScreen } from "../screens/NotFoundScreen";
import { PaperScreen } from "../screens/PaperScreen";
import { ReckonerScreen } from "../screens/ReckonerScreen";
import { ProfileScreen } from "../screens/ProfileScreen";
import { SettingsScreen } from "../screens/SettingsScreen";
import { SheetPaperScreen } from "../screens/SheetPaperScreen";
import { SheetScreen } from "../screens/SheetScreen";
import { SoundsScreen } from "../screens/SoundsScreen";
import { StudiesScreen } from "../screens/StudiesScreen";
import { StudyScreen } from "../screens/StudyScreen";
import { TechniquesScreen } from "../screens/TechniquesScreen";
import { WordsScreen } from "../screens/WordsScreen";

/** Every screen, a line each. */
export const ROUTES: RouteObject[] = [
  { path: "/", element: <StudiesScreen /> },
  { path: "/studies/new", element: <NewStudyScreen /> },
  { path: "/studies/:studyId", element: <StudyScreen /> },
  { path: "/studies/:studyId/references/:referenceId", element: <SheetScreen /> },
  { path: "/studies/:studyId/references/:referenceId/layers", element: <LayersScreen /> },
  { path: "/studies/:studyId/references/:referenceId/paper", element: <SheetPaperScreen /> },
  { path: "/studies/:studyId/sounds", element: <SoundsScreen /> },
  { path: "/studies/:studyId/techniques", element: <TechniquesScreen /> },
  { path: "/studies/:studyId/profile", element: <ProfileScreen /> },
  { path: "/studies/:studyId/comparison", element: <ComparisonScreen /> },
  { path: "/studies/:studyId/checklists", element: <ChecklistsScreen /> },
  { path: "/studies/:studyId/checklists/:checklistId", element: <ChecklistScreen /> },
  { path: "/studies/:studyId/checklists/:checklistId/paper", element: <PaperScreen /> },
  { path: "/studies/:studyId/attempts", element: <AttemptsScreen /> },
  { path: "/studies/:studyId/attempts/:attemptId", element: <AttemptsScreen /> },
  { path: "/studies/:studyId/attempts/:attemptId/paper", element: <AttemptPaperScreen /> },
  { path: "/settings", element: <SettingsScreen /> },
  { path: "/words", element: <WordsScreen /> },
  { path: "/reckoner", element: <ReckonerScreen /> },
  { path: "/studies/:studyId/reckoner", element: <ReckonerScreen /> },
  { path: "/studies/:studyId/logbook", element: <LogbookScreen /> },
  { path: "*", element: <NotFoundScreen /> },
];

/** A place of a study that navigation and palette offer. */
export interface StudyPlace {
  name: string;
  /** Under the study's own address. */
  path: (page: StudyPage) => string;
  icon: ReactNode;
  /** A few words beside the name. */
  figures?: (page: StudyPage) => string;
}

/** The places of a study in the order of navigation, a line each; all of them are in the palette by that. */
export const PLACES: StudyPlace[] = [
  {
    name: "Profile",
    path: () => "profile",
    icon: <Rows3 size={15} />,
    figures: ({ references }) => plural(references.filter((row) => row.summary).length, "song"),
  },
  {
    name: "Checklist",
    path: ({ checklists: [latest] }) => (latest ? `checklists/${latest.id}` : "checklists"),
    icon: <ListChecks size={15} />,
    figures: ({ checklists: [latest] }) => (latest ? `${latest.done} of ${latest.total}` : "none"),
  },
  { name: "Attempts", path: () => "attempts", icon: <Layers2 size={15} /> },
  { name: "Logbook", path: () => "logbook", icon: <NotebookPen size={15} /> },
  { name: "Reckoner", path: () => "reckoner", icon: <Sigma size={15} /> },
  { name: "Sounds", path: () => "sounds", icon: <AudioLines size={15} /> },
  { name: "Techniques", path: () => "techniques", icon: <BookOpenText size={15} /> },
];
