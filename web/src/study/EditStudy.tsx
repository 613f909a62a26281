import { write } from "../api/client";
import { keys } from "../api/keys";
import type { Study } from "../api/types";
import { useChange } from "../app/useChange";
import { Dialog } from "../components/Dialog";
import { StudyForm } from "./StudyForm";
import { words } from "../words/words";

interface EditStudyProps {
  study: Study;
  open: boolean;
  /** Why it is asked for, where nobody asked to edit it. */
  why?: string;
  onClose: () => void;
}

/** Title, aim, scope, tempo and key of a study, at any time; sheets and lists follow. */
export function EditStudy({ study, open, why, onClose }: EditStudyProps) {
  const save = useChange({
    send: (body: object) => write<{ study: Study }>("PATCH", `/studies/${study.id}`, body),
    stale: [keys.studies, keys.study(study.id), keys.references, keys.checklists, keys.attempts(study.id)],
    done: onClose,
    shownHere: true,
  });
  return (
    <Dialog title="Edit the study" {...(why && { description: why })} open={open} onClose={onClose} wide>
      <StudyForm
        study={study}
        action={words.save}
        pending={save.isPending}
        error={save.error}
        onSave={(body) => save.mutate(body)}
        onCancel={onClose}
      />
    </Dialog>
  );
}
