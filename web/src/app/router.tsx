import { createBrowserRouter } from "react-router";
import { ChecklistScreen } from "../screens/ChecklistScreen";
import { ChecklistsScreen } from "../screens/ChecklistsScreen";
import { LayersScreen } from "../screens/LayersScreen";
import { NewStudyScreen } from "../screens/NewStudyScreen";
import { NotFoundScreen } from "../screens/NotFoundScreen";
import { ProfileScreen } from "../screens/ProfileScreen";
import { SheetScreen } from "../screens/SheetScreen";
import { SoundsScreen } from "../screens/SoundsScreen";
import { StudiesScreen } from "../screens/StudiesScreen";
import { StudyScreen } from "../screens/StudyScreen";
import { TechniquesScreen } from "../screens/TechniquesScreen";
import { Shell } from "./Shell";

export const router = createBrowserRouter([
  {
    element: <Shell />,
    children: [
      { path: "/", element: <StudiesScreen /> },
      { path: "/studies/new", element: <NewStudyScreen /> },
      { path: "/studies/:studyId", element: <StudyScreen /> },
      { path: "/studies/:studyId/references/:referenceId", element: <SheetScreen /> },
      { path: "/studies/:studyId/references/:referenceId/layers", element: <LayersScreen /> },
      { path: "/studies/:studyId/sounds", element: <SoundsScreen /> },
      { path: "/studies/:studyId/techniques", element: <TechniquesScreen /> },
      { path: "/studies/:studyId/profile", element: <ProfileScreen /> },
      { path: "/studies/:studyId/checklists", element: <ChecklistsScreen /> },
      { path: "/studies/:studyId/checklists/:checklistId", element: <ChecklistScreen /> },
      { path: "*", element: <NotFoundScreen /> },
    ],
  },
]);
