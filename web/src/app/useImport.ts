import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useSyncExternalStore } from "react";
import { upload } from "../api/client";
import { keys } from "../api/keys";
import { messageOf } from "../components/Notice";
import { imports, type Incoming } from "./imports";

/** What is on its way, and how to send more. */
export function useImport() {
  const client = useQueryClient();
  const incoming = useSyncExternalStore(imports.subscribe, imports.snapshot);
  const send = useCallback(
    async (studyId: number, files: File[]) => {
      const one = async (study: number, file: File) => {
        try {
          await upload(`/studies/${study}/references`, file);
        } finally {
          void client.invalidateQueries({ queryKey: keys.progress(study) });
          await client.invalidateQueries({ queryKey: keys.study(study) });
        }
      };
      await imports.add(studyId, files, one, messageOf);
      void client.invalidateQueries({ queryKey: keys.studies });
    },
    [client],
  );
  return { incoming, send, dismiss: (key: string) => imports.dismiss(key) };
}

export type { Incoming };
