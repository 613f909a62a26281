import { useNavigate } from "react-router";
import { upload } from "../api/client";
import { keys } from "../api/keys";
import type { Study } from "../api/types";
import { imports } from "./imports";
import { useChange } from "./useChange";
import { useImport } from "./useImport";

const isStudyFile = (file: File) => /\.zip$/i.test(file.name);

/** What happens with files that are dropped on any page: into the study that is open, into one that is started for them, or, a study file, opened. */
export function useDropAnywhere(studyId: number | null): (files: File[]) => void {
  const navigate = useNavigate();
  const { send } = useImport();
  const open = useOpenStudyFile();
  return (files) => {
    const study = files.find(isStudyFile);
    if (study) open(study);
    else if (studyId !== null) void send(studyId, files);
    else if (files.length > 0) {
      imports.hold(files);
      void navigate("/studies/new");
    }
  };
}

/** Opens a study that was taken away whole. */
export function useOpenStudyFile(): (file: File) => void {
  const navigate = useNavigate();
  const open = useChange({
    send: (file: File) => upload<{ study: Study }>("/studies/file", file),
    stale: [keys.studies],
    done: ({ study }) => void navigate(`/studies/${study.id}`),
  });
  return (file) => open.mutate(file);
}
