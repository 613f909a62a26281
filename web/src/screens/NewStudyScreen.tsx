import { useNavigate } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import type { Study } from "../api/types";
import { useChange } from "../app/useChange";
import { PageHead } from "../components/PageHead";
import { StudyForm } from "../study/StudyForm";

export function NewStudyScreen() {
  const navigate = useNavigate();
  const create = useChange({
    send: (body: object) => write<{ study: Study }>("POST", "/studies", body),
    stale: [keys.studies],
    done: ({ study }) => void navigate(`/studies/${study.id}`),
    shownHere: true,
  });
  return (
    <>
      <PageHead title="New study" remark="Frame the work before you listen." />
      <div className="min-h-0 grow overflow-y-auto bg-sheet px-4 py-5 scroll-quiet">
        <StudyForm
          action="Start the study"
          pending={create.isPending}
          error={create.error}
          onSave={(body) => create.mutate(body)}
          onCancel={() => void navigate("/")}
        />
      </div>
    </>
  );
}
