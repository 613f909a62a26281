import { AudioLines, BookOpenText, Layers2, ListChecks, NotebookPen, Rows3, Sigma } from "lucide-react";
import type { ComponentType, ReactNode } from "react";
import type { RouteObject } from "react-router";
import type { StudyPage } from "../api/types";
import { plural } from "../lib/format";
import { RouteFault } from "./RouteFault";

/** A screen that is loaded when it is first asked for. A fault in it leaves navigation and playback alone. */
function screen<Name extends string>(load: () => Promise<Record<Name, ComponentType>>, name: Name) {
  return async () => ({ Component: (await load())[name] });
}

/** Every screen, a line each. */
const SCREENS: RouteObject[] = [
  { path: "/", lazy: screen(() => import("../screens/StudiesScreen"), "StudiesScreen") },
  { path: "/studies/new", lazy: screen(() => import("../screens/NewStudyScreen"), "NewStudyScreen") },
  { path: "/studies/:studyId", lazy: screen(() => import("../screens/StudyScreen"), "StudyScreen") },
  {
    path: "/studies/:studyId/references/:referenceId",
    lazy: screen(() => import("../screens/SheetScreen"), "SheetScreen"),
  },
  {
    path: "/studies/:studyId/references/:referenceId/layers",
    lazy: screen(() => import("../screens/LayersScreen"), "LayersScreen"),
  },
  {
    path: "/studies/:studyId/references/:referenceId/paper",
    lazy: screen(() => import("../screens/SheetPaperScreen"), "SheetPaperScreen"),
  },
  { path: "/studies/:studyId/sounds", lazy: screen(() => import("../screens/SoundsScreen"), "SoundsScreen") },
  {
    path: "/studies/:studyId/techniques",
    lazy: screen(() => import("../screens/TechniquesScreen"), "TechniquesScreen"),
  },
  { path: "/studies/:studyId/profile", lazy: screen(() => import("../screens/ProfileScreen"), "ProfileScreen") },
  {
    path: "/studies/:studyId/comparison",
    lazy: screen(() => import("../screens/ComparisonScreen"), "ComparisonScreen"),
  },
  {
    path: "/studies/:studyId/checklists",
    lazy: screen(() => import("../screens/ChecklistsScreen"), "ChecklistsScreen"),
  },
  {
    path: "/studies/:studyId/checklists/:checklistId",
    lazy: screen(() => import("../screens/ChecklistScreen"), "ChecklistScreen"),
  },
  {
    path: "/studies/:studyId/checklists/:checklistId/paper",
    lazy: screen(() => import("../screens/PaperScreen"), "PaperScreen"),
  },
  { path: "/studies/:studyId/attempts", lazy: screen(() => import("../screens/AttemptsScreen"), "AttemptsScreen") },
  {
    path: "/studies/:studyId/attempts/:attemptId",
    lazy: screen(() => import("../screens/AttemptsScreen"), "AttemptsScreen"),
  },
  {
    path: "/studies/:studyId/attempts/:attemptId/paper",
    lazy: screen(() => import("../screens/AttemptPaperScreen"), "AttemptPaperScreen"),
  },
  { path: "/settings", lazy: screen(() => import("../screens/SettingsScreen"), "SettingsScreen") },
  { path: "/words", lazy: screen(() => import("../screens/WordsScreen"), "WordsScreen") },
  { path: "/reckoner", lazy: screen(() => import("../screens/ReckonerScreen"), "ReckonerScreen") },
  { path: "/studies/:studyId/reckoner", lazy: screen(() => import("../screens/ReckonerScreen"), "ReckonerScreen") },
  { path: "/studies/:studyId/logbook", lazy: screen(() => import("../screens/LogbookScreen"), "LogbookScreen") },
  { path: "*", lazy: screen(() => import("../screens/NotFoundScreen"), "NotFoundScreen") },
];

export const ROUTES: RouteObject[] = SCREENS.map((route) => ({ ...route, errorElement: <RouteFault /> }));

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
