import { createBrowserRouter } from "react-router";
import { PLACES, ROUTES } from "./screens";
import { RouteFault } from "./RouteFault";
import { Shell } from "./Shell";

export const router = createBrowserRouter([
  { element: <Shell places={PLACES} />, errorElement: <RouteFault />, HydrateFallback: () => null, children: ROUTES },
]);
