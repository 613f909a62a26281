import { createBrowserRouter } from "react-router";
import { ChecklistScreen } from "../screens/ChecklistScreen";
import { ChecklistsScreen } from "../screens/ChecklistsScreen";
import { NewStudyScreen } from "../screens/NewStudyScreen";
import { NotFoundScreen } from "../screens/NotFoundScreen";
import { ProfileScreen } from "../screens/ProfileScreen";
import { SheetScreen } from "../screens/SheetScreen";
import { StudiesScreen } from "../screens/StudiesScreen";
import { StudyScreen } from "../screens/StudyScreen";
import { Shell } from "./Shell";

export const router = createBrowserRouter([
  {
    element: <Shell />,
    children: [
      { path: "/", element: <StudiesScreen /> },
      { path: "/studies/new", element: <NewStudyScreen /> },
      { path: "/studies/:studyId", element: <StudyScreen /> },
      { path: "/studies/:studyId/references/:referenceId", element: <SheetScreen /> },
      { path: "/studies/:studyId/profile", element: <ProfileScreen /> },
      { path: "/studies/:studyId/checklists", element: <ChecklistsScreen /> },
      { path: "/studies/:studyId/checklists/:checklistId", element: <ChecklistScreen /> },
      { path: "*", element: <NotFoundScreen /> },
    ],
  },
]);
