/** Which data directory this is, and how a person likes it. */

import { queryOptions, useQuery } from "@tanstack/react-query";
import { get } from "../api/client";
import { keys } from "../api/keys";
import type { Settings } from "../api/types";

export interface House {
  name: string;
  settings: Settings;
}

export const houseQuery = queryOptions({
  queryKey: keys.house,
  queryFn: () => get<{ house: House }>("/house").then((answer) => answer.house),
  staleTime: Infinity,
});

export function useHouse(): House | undefined {
  return useQuery(houseQuery).data;
}
