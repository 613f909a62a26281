import { useRef } from "react";
import { Button } from "./Button";

export const SOUND_FILES = ".wav,.flac,.mp3,.ogg,.opus,.m4a,.aac,.aif,.aiff,audio/*";

interface FileButtonProps {
  name: string;
  look?: "outline" | "solid";
  onFiles: (files: File[]) => void;
}

/** Opens the file dialog; several files at once. */
export function FileButton({ name, look = "outline", onFiles }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button look={look} onClick={() => input.current?.click()}>
        {name}
      </Button>
      <input
        ref={input}
        type="file"
        aria-label="Sound files"
        tabIndex={-1}
        multiple
        accept={SOUND_FILES}
        className="sr-only"
        onChange={(event) => {
          onFiles([...(event.target.files ?? [])]);
          event.target.value = "";
        }}
      />
    </>
  );
}
