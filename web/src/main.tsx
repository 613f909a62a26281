import { QueryClientProvider } from "@tanstack/react-query";
import { Tooltip } from "radix-ui";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router";
import { queryClient } from "./app/queryClient";
import { router } from "./app/router";
import { applyTheme, printByDay, storedTheme } from "./app/theme";
import { PlayerContext } from "./player/context";
import { Player } from "./player/Player";
import { WebEngine } from "./player/WebEngine";
import "./styles/base.css";

applyTheme(storedTheme());
printByDay();

const root = document.getElementById("root");
if (!root) throw new Error("The page has no root element.");

createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <PlayerContext value={new Player(new WebEngine())}>
        <Tooltip.Provider delayDuration={400}>
          <RouterProvider router={router} />
        </Tooltip.Provider>
      </PlayerContext>
    </QueryClientProvider>
  </StrictMode>,
);
