import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import { upload, write, type Method } from "../api/client";
import { keys } from "../api/keys";
import type { Reference } from "../api/types";
import { messageOf } from "../components/Notice";

const MIDI_FILE = /\.midi?$/i;

/** Sends stems and MIDI of a reference, one after another; what was refused is told with its file's name. */
export function useSources({ id: referenceId, study_id: studyId }: Pick<Reference, "id" | "study_id">) {
  const client = useQueryClient();
  const [sending, setSending] = useState(0);
  const [refused, setRefused] = useState<{ name: string; message: string }[]>([]);

  const refresh = useCallback(
    () =>
      Promise.all(
        [keys.reference(referenceId), keys.progress(studyId)].map((queryKey) => client.invalidateQueries({ queryKey })),
      ),
    [client, referenceId, studyId],
  );

  const send = useCallback(
    async (files: File[]) => {
      setRefused([]);
      setSending((count) => count + files.length);
      for (const file of files) {
        try {
          await upload(`/references/${referenceId}/${MIDI_FILE.test(file.name) ? "score" : "stems"}`, file);
        } catch (error) {
          setRefused((list) => [...list, { name: file.name, message: messageOf(error) }]);
        }
        setSending((count) => count - 1);
        await refresh();
      }
    },
    [referenceId, refresh],
  );

  const change = useCallback(
    async (method: Method, path: string, body: object = {}) => {
      try {
        await write(method, path, body);
      } catch (error) {
        setRefused([{ name: "", message: messageOf(error) }]);
      }
      await refresh();
    },
    [refresh],
  );

  return { sending, refused, send, change };
}

export type Change = ReturnType<typeof useSources>["change"];
