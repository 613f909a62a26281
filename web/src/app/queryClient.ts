import { QueryClient } from "@tanstack/react-query";
import { ApiError } from "../api/client";

/** Data are local: they change when this page changes them or when an analysis ends, which is told. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      refetchOnWindowFocus: false,
      retry: (count, error) => count < 2 && error instanceof ApiError && error.status === 0,
    },
  },
});
