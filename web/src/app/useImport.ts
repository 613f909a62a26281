import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import { upload } from "../api/client";
import { keys } from "../api/keys";
import { messageOf } from "../components/Notice";

export interface Incoming {
  key: string;
  name: string;
  state: "waiting" | "sending" | "failed";
  message?: string;
}

/** Sends files into a study one after another; those that fail stay listed with the reason. */
export function useImport(studyId: number) {
  const client = useQueryClient();
  const [incoming, setIncoming] = useState<Incoming[]>([]);

  const change = useCallback((key: string, next: Partial<Incoming> | null) => {
    setIncoming((list) =>
      next === null
        ? list.filter((file) => file.key !== key)
        : list.map((file) => (file.key === key ? { ...file, ...next } : file)),
    );
  }, []);

  const send = useCallback(
    async (files: File[]) => {
      const batch = files.map((file) => ({ file, key: crypto.randomUUID() }));
      setIncoming((list) => [
        ...list,
        ...batch.map(({ file, key }) => ({ key, name: file.name, state: "waiting" as const })),
      ]);
      for (const { file, key } of batch) {
        change(key, { state: "sending" });
        try {
          await upload(`/studies/${studyId}/references`, file);
          change(key, null);
        } catch (error) {
          change(key, { state: "failed", message: messageOf(error) });
        }
        void client.invalidateQueries({ queryKey: keys.progress(studyId) });
        await client.invalidateQueries({ queryKey: keys.study(studyId) });
      }
      void client.invalidateQueries({ queryKey: keys.studies });
    },
    [client, studyId, change],
  );

  return { incoming, send, dismiss: (key: string) => change(key, null) };
}
