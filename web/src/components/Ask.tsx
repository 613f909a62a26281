import { useState } from "react";
import { Button } from "./Button";
import { Dialog } from "./Dialog";

interface AskProps {
  /** What the trigger says; with its full name for assistive technology. */
  children: string;
  name?: string;
  title: string;
  description: string;
  action: string;
  plain?: boolean;
  onYes: () => void;
}

/** A button for what can't be taken back: it asks before. */
export function Ask({ children, name, title, description, action, plain = false, onYes }: AskProps) {
  const [asking, setAsking] = useState(false);
  const close = () => setAsking(false);
  return (
    <>
      {plain ? (
        <button type="button" aria-label={name} className="underline" onClick={() => setAsking(true)}>
          {children}
        </button>
      ) : (
        <Button look="refute" aria-label={name} className="mt-3" onClick={() => setAsking(true)}>
          {children}
        </Button>
      )}
      <Dialog title={title} description={description} open={asking} onClose={close}>
        <div className="flex gap-2">
          <Button
            look="refute"
            onClick={() => {
              close();
              onYes();
            }}
          >
            {action}
          </Button>
          <Button onClick={close}>Keep it</Button>
        </div>
      </Dialog>
    </>
  );
}
