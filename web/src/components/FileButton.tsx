import { useRef } from "react";
import { Button } from "./Button";

export const SOUND_FILES = ".wav,.flac,.mp3,.ogg,.opus,.m4a,.aac,.aif,.aiff,audio/*";
export const SCORE_FILES = ".mid,.midi";

/** No standard attribute yet, but every browser has it. */
const FOLDER: Record<string, string> = { webkitdirectory: "" };

interface FileButtonProps {
  name: string;
  look?: "outline" | "solid";
  accept?: string;
  label?: string;
  /** Takes a whole folder instead. */
  folder?: boolean;
  onFiles: (files: File[]) => void;
}

/** Opens the file dialog; several files at once. */
export function FileButton({
  name,
  look = "outline",
  accept = SOUND_FILES,
  label = "Sound files",
  folder = false,
  onFiles,
}: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button look={look} onClick={() => input.current?.click()}>
        {name}
      </Button>
      <input
        ref={input}
        type="file"
        aria-label={label}
        tabIndex={-1}
        multiple
        {...(folder ? FOLDER : { accept })}
        className="sr-only"
        onChange={(event) => {
          onFiles([...(event.target.files ?? [])]);
          event.target.value = "";
        }}
      />
    </>
  );
}
