import { createBrowserRouter } from "react-router";
import { PLACES, ROUTES } from "./screens";
import { Shell } from "./Shell";

export const router = createBrowserRouter([{ element: <Shell places={PLACES} />, children: ROUTES }]);
