import { useState, type DragEvent, type ReactNode } from "react";

interface DropPageProps {
  onFiles: (files: File[]) => void;
  sentence: string;
  children: ReactNode;
}

/** The whole page takes files; while some hover over it, it says so. */
export function DropPage({ onFiles, sentence, children }: DropPageProps) {
  const [over, setOver] = useState(false);
  const holdsFiles = (event: DragEvent) => event.dataTransfer.types.includes("Files");
  return (
    <div
      className="relative flex min-h-0 min-w-0 grow flex-col print:block"
      onDragEnter={(event) => holdsFiles(event) && setOver(true)}
      onDragOver={(event) => holdsFiles(event) && event.preventDefault()}
      onDragLeave={(event) => event.currentTarget === event.target && setOver(false)}
      onDrop={(event) => {
        // A page within a page took them.
        if (event.defaultPrevented) {
          setOver(false);
          return;
        }
        event.preventDefault();
        setOver(false);
        onFiles([...event.dataTransfer.files]);
      }}
    >
      {children}
      {over && (
        <div className="absolute inset-0 z-30 grid place-items-center border-2 border-dashed border-ink bg-sheet/90">
          <p className="pointer-events-none font-serif text-26">{sentence}</p>
        </div>
      )}
    </div>
  );
}
