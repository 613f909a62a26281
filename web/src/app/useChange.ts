import { useMutation, useQueryClient, type UseMutationResult } from "@tanstack/react-query";
import type { Key } from "../api/keys";

interface Change<Answer, Input, Before> {
  send: (input: Input) => Promise<Answer>;
  /** What is asked for again once it is done. */
  stale?: Key[] | ((answer: Answer) => Key[]);
  done?: (answer: Answer) => unknown;
  /** Shows it at once; what is handed back is what `undo` gets when it fails. */
  early?: (input: Input) => Promise<Before>;
  undo?: (before: Before | undefined) => void;
  /** Its failure is shown in a place of its own, by whoever reads `error`; otherwise along the top of the page. */
  shownHere?: boolean;
}

/** A change that is sent to the server. A failure is always said: no change is made any other way. */
export function useChange<Answer, Input = void, Before = unknown>({
  send,
  stale = [],
  done,
  early,
  undo,
  shownHere = false,
}: Change<Answer, Input, Before>): UseMutationResult<Answer, Error, Input, Before> {
  const client = useQueryClient();
  return useMutation<Answer, Error, Input, Before>({
    meta: { told: !shownHere },
    mutationFn: send,
    ...(early && { onMutate: early }),
    onError: (_error, _input, before) => undo?.(before),
    onSuccess: async (answer) => {
      const asked = (typeof stale === "function" ? stale(answer) : stale).map((queryKey) =>
        client.invalidateQueries({ queryKey }),
      );
      done?.(answer);
      await Promise.all(asked);
    },
  });
}
