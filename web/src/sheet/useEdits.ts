import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { ApiError, write, type Method } from "../api/client";
import { keys } from "../api/keys";
import { announce } from "../app/live";
import type { Reading, ReadingState, ReferencePage, Source } from "../api/types";

export interface CorrectionBody {
  value: Record<string, unknown>;
  source?: Source;
  note?: string;
  link?: string;
}

interface Answer {
  revision: number;
  reading?: Reading;
  label?: string | null;
}

interface Edit {
  method: Method;
  path: string;
  body: object;
}

/** A change that was refused because another window has changed the sheet. */
export interface Stale {
  labels: string[];
  onTop: () => void;
  drop: () => void;
}

export interface Edits {
  post: (path: string, body: object) => Promise<Answer | null>;
  mark: (id: number, state: ReadingState, why?: { note: string; link: string }) => Promise<Answer | null>;
  correct: (id: number, body: CorrectionBody) => Promise<Answer | null>;
  remove: (id: number) => Promise<Answer | null>;
  patch: (path: string, body: object) => Promise<Answer | null>;
  undo: () => void;
  redo: () => void;
  /** Why the last change was refused, until the next one. */
  error: Error | null;
  dismiss: () => void;
  stale: Stale | null;
}

/** What can be done in whatever tempo and key a song is told. */
const NEUTRAL = /\/(undo|redo)$|^\/readings\/\d+$/;

/** Sends changes one after another, each on the revision that the one before made; every change refreshes what rests on the sheet. */
export function useEdits(page: ReferencePage): Edits {
  const client = useQueryClient();
  const { id, study_id: studyId } = page.reference;
  const mine = page.frame !== null;
  const [error, setError] = useState<Error | null>(null);
  const [stale, setStale] = useState<Stale | null>(null);
  const revision = useRef(page.journal.revision);
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  useEffect(() => {
    revision.current = Math.max(revision.current, page.journal.revision);
  }, [page.journal.revision]);

  const refresh = useCallback(async () => {
    await client.invalidateQueries({ queryKey: keys.reference(id) });
    void client.invalidateQueries({ queryKey: keys.progress(studyId) });
    void client.invalidateQueries({ queryKey: keys.study(studyId) });
    void client.invalidateQueries({ queryKey: keys.profile(studyId) });
    void client.invalidateQueries({ queryKey: keys.sounds(studyId) });
  }, [client, id, studyId]);

  return useMemo(() => {
    const attempt = async (edit: Edit): Promise<Answer | null> => {
      setError(null);
      // Figures of the new track are none that were heard in this one.
      if (mine && !NEUTRAL.test(edit.path) && !("state" in edit.body)) {
        setError(new Error("You are reading this song as mine. Switch to as theirs to correct what was heard in it."));
        return null;
      }
      try {
        const answer = await write<Answer>(edit.method, edit.path, edit.body, revision.current);
        revision.current = answer.revision;
        await refresh();
        announce(answer.label ? `Done: ${answer.label}` : "Changed.");
        return answer;
      } catch (failure) {
        if (failure instanceof ApiError && failure.code === "stale") offer(edit, failure);
        else setError(failure instanceof Error ? failure : new Error(String(failure)));
        return null;
      }
    };
    const offer = (edit: Edit, failure: ApiError) =>
      setStale({
        labels: failure.details.labels ?? [],
        onTop: () => {
          setStale(null);
          revision.current = failure.details.revision ?? revision.current;
          void send(edit);
        },
        drop: () => {
          setStale(null);
          void refresh();
        },
      });
    const send = (edit: Edit): Promise<Answer | null> => {
      const sent = queue.current.then(() => attempt(edit));
      queue.current = sent;
      return sent;
    };
    const post = (path: string, body: object) => send({ method: "POST", path, body });
    return {
      post: (path: string, body: object) => post(`/references/${id}/${path}`, body),
      mark: (reading: number, state: ReadingState, why?: { note: string; link: string }) =>
        send({
          method: "PATCH",
          path: `/readings/${reading}`,
          body: { state, ...(why && { note: why.note, link: why.link || null }) },
        }),
      correct: (reading: number, body: CorrectionBody) => post(`/readings/${reading}/corrections`, body),
      remove: (reading: number) => send({ method: "DELETE", path: `/readings/${reading}`, body: {} }),
      patch: (path: string, body: object) =>
        send({ method: path.endsWith("/cells") ? "POST" : "PATCH", path: `/readings/${path}`, body }),
      undo: () => void post(`/references/${id}/undo`, {}),
      redo: () => void post(`/references/${id}/redo`, {}),
      dismiss: () => setError(null),
      error,
      stale,
    };
  }, [id, refresh, error, stale, mine]);
}
