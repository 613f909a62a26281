import { useState } from "react";
import { useAssembly, type Refusal } from "../app/useAssembly";
import { Button } from "../components/Button";
import { Dialog } from "../components/Dialog";
import { Field } from "../components/Field";
import { FileButton, SCORE_FILES, SOUND_FILES } from "../components/FileButton";
import { words } from "../words/words";

/** A song that comes without a mix: its name, and its stems, its MIDI file or both. */
export function AssemblyDialog({ studyId, open, onClose }: { studyId: number; open: boolean; onClose: () => void }) {
  return (
    <Dialog
      title="A song from its parts"
      description="Without a mix, one is made of the stems as loud as they are, or played plainly from a MIDI file. Add the mix that was released as a reference of its own."
      open={open}
      onClose={onClose}
    >
      <Form studyId={studyId} onDone={onClose} />
    </Dialog>
  );
}

function Form({ studyId, onDone }: { studyId: number; onDone: () => void }) {
  const [title, setTitle] = useState("");
  const [files, setFiles] = useState<File[]>([]);
  const { sending, taken, refused, send, start, forget } = useAssembly(studyId, onDone);
  if (refused.length > 0 && taken) {
    const left = taken.stems.length + (taken.score_name ? 1 : 0);
    return (
      <>
        <Refusals list={refused} />
        <div className="flex gap-2">
          {left > 0 && (
            <Button look="solid" onClick={() => void start(taken)}>
              {refused.length === 1 ? words.continueWithoutIt : words.continueWithoutThem}
            </Button>
          )}
          <Button onClick={() => void forget()}>{words.cancel}</Button>
        </div>
      </>
    );
  }
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        void send({ title }, files);
      }}
    >
      <Field label="Song">
        {(props) => (
          <input {...props} value={title} maxLength={120} onChange={(event) => setTitle(event.target.value)} />
        )}
      </Field>
      <div>
        <FileButton
          name={files.length ? "Choose other files" : "Choose stems or MIDI"}
          label="Stems or MIDI"
          accept={`${SOUND_FILES},${SCORE_FILES}`}
          onFiles={setFiles}
        />
        {files.length > 0 && (
          <ul className="mt-2 text-12 text-ink-2">
            {files.map((file) => (
              <li key={file.name} className="truncate">
                {file.name}
              </li>
            ))}
          </ul>
        )}
      </div>
      <Refusals list={refused} />
      <div className="flex items-center gap-3">
        <Button look="solid" type="submit" disabled={!title.trim() || files.length === 0 || sending !== null}>
          Put it together
        </Button>
        {sending && <span role="status" className="truncate text-ink-2">{`taking in ${sending}`}</span>}
      </div>
    </form>
  );
}

function Refusals({ list }: { list: Refusal[] }) {
  if (list.length === 0) return null;
  return (
    <ul role="alert" className="mb-4 margin-stroke-l border-conflict pl-3 text-13 text-conflict">
      {list.map((entry) => (
        <li key={entry.name} className="py-0.5">
          {entry.name && <span className="font-medium">{`${entry.name}: `}</span>}
          {entry.message}
        </li>
      ))}
    </ul>
  );
}
