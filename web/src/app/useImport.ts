import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useSyncExternalStore } from "react";
import { upload } from "../api/client";
import { useNavigate } from "react-router";
import { keys } from "../api/keys";
import type { Reference, StudyPage } from "../api/types";
import { told } from "./frame";
import { messageOf } from "../components/Notice";
import { imports, type Incoming } from "./imports";

/** What is on its way, and how to send more. */
export function useImport() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const incoming = useSyncExternalStore(imports.subscribe, imports.snapshot);
  const send = useCallback(
    async (studyId: number, files: File[], opens = false) => {
      const first =
        opens ||
        (files.length === 1 &&
          client.getQueryData<StudyPage>(keys.studyAs(studyId, told(studyId)))?.references.length === 0);
      const one = async (study: number, file: File) => {
        try {
          const { reference } = await upload<{ reference: Reference }>(`/studies/${study}/references`, file);
          // The sheet of a first song opens by itself, and fills in while it is analysed.
          if (first) void navigate(`/studies/${study}/references/${reference.id}`);
        } finally {
          void client.invalidateQueries({ queryKey: keys.progress(study) });
          await client.invalidateQueries({ queryKey: keys.study(study) });
        }
      };
      await imports.add(studyId, files, one, messageOf);
      void client.invalidateQueries({ queryKey: keys.studies });
    },
    [client, navigate],
  );
  return { incoming, send, dismiss: (key: string) => imports.dismiss(key) };
}

export type { Incoming };
