import { X } from "lucide-react";

/** The cross in the corner of a dialog. */
export function CloseButton({ onClose, className = "" }: { onClose: () => void; className?: string }) {
  return (
    <button
      type="button"
      className={`btn btn-square btn-ghost btn-sm ${className}`}
      aria-label="Close"
      onClick={onClose}
    >
      <X size={16} />
    </button>
  );
}

/** What lies around a dialog: a press on it closes it. */
export function ModalBackdrop() {
  return (
    <form method="dialog" className="modal-backdrop">
      <button>Close</button>
    </form>
  );
}
