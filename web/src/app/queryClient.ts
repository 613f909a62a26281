import { MutationCache, QueryClient } from "@tanstack/react-query";
import { ApiError } from "../api/client";
import { messageOf } from "../components/Notice";
import { tellFailure } from "./failures";

/** Data are local: they change when this page changes them or when an analysis ends, which is told. */
export const queryClient = new QueryClient({
  mutationCache: new MutationCache({
    onError: (error, _variables, _context, mutation) => {
      if (mutation.meta?.told !== false) tellFailure(messageOf(error));
    },
    onMutate: () => tellFailure(null),
  }),
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      refetchOnWindowFocus: false,
      retry: (count, error) => count < 2 && error instanceof ApiError && error.status === 0,
    },
  },
});
