import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import { upload, write } from "../api/client";
import { keys } from "../api/keys";
import type { Assembly } from "../api/types";
import { messageOf } from "../components/Notice";

export interface Refusal {
  name: string;
  message: string;
}

/** Puts a song together from its files, sent one after another. What was refused is told, and then a person says whether to go on. The path makes a reference of it,
 *  or something else. */
export function useAssembly(studyId: number, onDone: () => void, path = `/studies/${studyId}/assemblies`) {
  const client = useQueryClient();
  const [sending, setSending] = useState<string | null>(null);
  const [taken, setTaken] = useState<Assembly | null>(null);
  const [refused, setRefused] = useState<Refusal[]>([]);

  const end = useCallback(async () => {
    setTaken(null);
    setRefused([]);
    void client.invalidateQueries({ queryKey: keys.progress(studyId) });
    await client.invalidateQueries({ queryKey: keys.study(studyId) });
    onDone();
  }, [client, studyId, onDone]);

  const start = useCallback(
    async (assembly: Assembly) => {
      await write("POST", `/assemblies/${assembly.id}/start`);
      await end();
    },
    [end],
  );

  const send = useCallback(
    async (body: object, files: File[]) => {
      const problems: Refusal[] = [];
      try {
        let { assembly } = await write<{ assembly: Assembly }>("POST", path, body);
        for (const file of files) {
          setSending(file.name);
          try {
            assembly = (await upload<{ assembly: Assembly }>(`/assemblies/${assembly.id}/files`, file)).assembly;
          } catch (error) {
            problems.push({ name: file.name, message: messageOf(error) });
          }
        }
        if (problems.length === 0) await start(assembly);
        else setTaken(assembly);
      } catch (error) {
        problems.push({ name: "", message: messageOf(error) });
      }
      setRefused(problems);
      setSending(null);
    },
    [path, start],
  );

  const forget = useCallback(async () => {
    if (taken) await write("DELETE", `/assemblies/${taken.id}`);
    await end();
  }, [taken, end]);

  return { sending, taken, refused, send, start, forget };
}
