import { useSyncExternalStore } from "react";
import { useNavigate } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import type { Study } from "../api/types";
import { imports } from "../app/imports";
import { useChange } from "../app/useChange";
import { useImport } from "../app/useImport";
import { PageHead } from "../components/PageHead";
import { plural } from "../lib/format";
import { StudyForm } from "../study/StudyForm";

export function NewStudyScreen() {
  const navigate = useNavigate();
  const { send } = useImport();
  const held = useSyncExternalStore(imports.subscribe, imports.holds);
  const create = useChange({
    send: (body: object) => write<{ study: Study }>("POST", "/studies", body),
    stale: [keys.studies],
    done: ({ study }) => {
      const files = imports.release();
      void navigate(`/studies/${study.id}`);
      if (files.length > 0) void send(study.id, files, files.length === 1);
    },
    shownHere: true,
  });
  return (
    <>
      <PageHead title="New study" remark="Frame the work before you listen." />
      <div className="min-h-0 grow overflow-y-auto bg-sheet px-4 py-5 scroll-quiet">
        {held > 0 && (
          <p role="status" className="mb-4 font-serif text-15 text-ink-2">
            {`${plural(held, "file")} will come into it as soon as it is started.`}
          </p>
        )}
        <StudyForm
          action="Start the study"
          pending={create.isPending}
          error={create.error}
          onSave={(body) => create.mutate(body)}
          onCancel={() => {
            imports.release();
            void navigate("/");
          }}
        />
      </div>
    </>
  );
}
