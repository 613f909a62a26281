import { useState } from "react";
import { Button } from "./Button";
import { Dialog } from "./Dialog";
import { words } from "../words/words";

interface AskProps {
  /** What the trigger says; with its full name for assistive technology. */
  children: string;
  name?: string;
  title: string;
  description: string;
  action: string;
  plain?: boolean;
  /** In a line of other buttons. */
  small?: boolean;
  onYes: () => void;
}

/** A button for what can't be taken back: it asks before. */
export function Ask({ children, name, title, description, action, plain = false, small = false, onYes }: AskProps) {
  const [asking, setAsking] = useState(false);
  const close = () => setAsking(false);
  return (
    <>
      {plain ? (
        <button type="button" aria-label={name} className="underline" onClick={() => setAsking(true)}>
          {children}
        </button>
      ) : (
        <Button
          look={small ? "outline" : "refute"}
          aria-label={name}
          className={small ? "" : "mt-3"}
          onClick={() => setAsking(true)}
        >
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
          <Button onClick={close}>{words.cancel}</Button>
        </div>
      </Dialog>
    </>
  );
}
