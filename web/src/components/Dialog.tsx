import { X } from "lucide-react";
import { Dialog as Primitive } from "radix-ui";
import type { ReactNode } from "react";

interface DialogProps {
  title: string;
  description?: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
  wide?: boolean;
}

/** A sheet of paper over the page. The scrim is plain: the page below never scrolls, so nothing has to lock it. */
export function Dialog({ title, description, open, onClose, children, wide = false }: DialogProps) {
  return (
    <Primitive.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Primitive.Portal>
        <div className="fixed inset-0 z-40 bg-scrim" />
        <Primitive.Content
          {...(description ? {} : { "aria-describedby": undefined })}
          className={`fixed top-1/2 left-1/2 z-50 max-h-[90vh] -translate-x-1/2 -translate-y-1/2 overflow-auto border border-firm bg-sheet p-6 ${wide ? "w-[860px]" : "w-[420px]"} max-w-[94vw]`}
        >
          <div className="mb-4 flex items-start justify-between gap-4">
            <Primitive.Title className="font-serif text-18 leading-tight">{title}</Primitive.Title>
            <Primitive.Close aria-label="Close" className="-m-1 p-1 hover:bg-wash">
              <X size={16} />
            </Primitive.Close>
          </div>
          {description && <Primitive.Description className="mb-4 text-ink-2">{description}</Primitive.Description>}
          {children}
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}
