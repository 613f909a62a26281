/** What can be done with attempts. */

import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { upload, write } from "../api/client";
import { keys } from "../api/keys";
import type { AttemptRow, Closeness } from "../api/types";
import { useAssembly } from "../app/useAssembly";
import { useChange } from "../app/useChange";
import { messageOf } from "../components/Notice";

export const isNotes = (file: File) => /\.midi?$/i.test(file.name);

/** Drops bounces, one after another; the last one that arrived is handed on. Notes go with a bounce, or make an attempt of their own; of several sounds a person says
 *  whether they are attempts or the stems of one. */
export function useDrop(studyId: number, against: number | null | undefined, done: (attempt: AttemptRow) => void) {
  const client = useQueryClient();
  const [sending, setSending] = useState<string | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [several, setSeveral] = useState<File[]>([]);
  const parts = useAssembly(studyId, () => setSeveral([]), `/studies/${studyId}/attempts/parts`);

  const bounce = async (file: File, notes?: File) => {
    setSending(file.name);
    try {
      const { attempt } = await upload<{ attempt: AttemptRow }>(`/studies/${studyId}/attempts${asked(against)}`, file);
      if (notes) await upload(`/references/${attempt.song_id}/score`, notes);
      done(attempt);
    } catch (error) {
      setFailure(`${file.name}: ${messageOf(error)}`);
    }
    setSending(null);
    void client.invalidateQueries({ queryKey: keys.progress(studyId) });
    await client.invalidateQueries({ queryKey: keys.attempts(studyId) });
  };
  const each = async (files: File[]) => {
    setSeveral([]);
    for (const file of files) await bounce(file);
  };
  const together = (files: File[]) => parts.send(held(against), files);
  const drop = async (files: File[]) => {
    setFailure(null);
    const [sounds, notes] = [files.filter((file) => !isNotes(file)), files.filter(isNotes)];
    const [first] = sounds;
    if (notes.length > 1) setFailure("Drop one MIDI file at a time: two can't tell one attempt.");
    else if (sounds.length > 1) setSeveral(files);
    else if (first) await bounce(first, notes[0]);
    else if (notes.length > 0) await together(notes);
  };
  return {
    drop,
    each,
    together,
    several,
    parts,
    sending,
    failure,
    forgive: () => setFailure(null),
    leave: () => setSeveral([]),
  };
}

/** The next attempt is held against what the one before is: one reference, or the style of them all. */
function asked(against: number | null | undefined): string {
  if (against === undefined) return "";
  return against === null ? "?style=true" : `?against_id=${against}`;
}

function held(against: number | null | undefined): object {
  if (against === undefined) return {};
  return against === null ? { style: true } : { against_id: against };
}

/** A person's own word on how close an item is. */
export function useOverrule(attempt: AttemptRow) {
  const stale = [keys.attempts(attempt.study_id)];
  return {
    overrule: useChange({
      send: ({ item, closeness, why }: { item: number; closeness: Closeness; why: string }) =>
        write("PUT", `/attempts/${attempt.id}/verdicts/${item}`, { closeness, why }),
      stale,
    }),
    judgeAgain: useChange({
      send: (item: number) => write("DELETE", `/attempts/${attempt.id}/verdicts/${item}`),
      stale,
    }),
  };
}

export function useAttemptChanges(attempt: AttemptRow | undefined) {
  const stale = attempt
    ? [
        keys.attempts(attempt.study_id),
        ...(attempt.checklist_id ? [keys.checklist(attempt.checklist_id)] : []),
        keys.study(attempt.study_id),
      ]
    : [];
  const path = `/attempts/${attempt?.id ?? 0}`;
  return {
    change: useChange({
      send: (said: Partial<Pick<AttemptRow, "note" | "against_id" | "checklist_id" | "lies">>) =>
        write("PATCH", path, said),
      stale,
    }),
    restoreList: useChange({ send: () => write("POST", `${path}/list`), stale }),
    undoList: useChange({
      send: () => write("POST", `/checklists/${attempt?.checklist_id ?? 0}/undo`),
      stale,
    }),
  };
}
