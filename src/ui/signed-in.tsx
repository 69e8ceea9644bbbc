"use client";

import { LogOut } from "lucide-react";
import { useState } from "react";
import { SIGN_IN_PAGE, SIGN_IN_URL } from "@/model/addresses";
import type { Painter } from "@/model/sign-in";
import { askFor } from "./ask";
import { isSomethingUnsent } from "./saving/autosave-queues";

/** Whose space this is, and the way out of it. */
export function SignedIn({ painter: { name, teacher } }: { painter: Painter }) {
  const [fault, setFault] = useState<string | null>(null);
  const signOut = async (): Promise<void> => {
    if (isSomethingUnsent()) return setFault("Something is still on its way. Try again in a moment.");
    const wrong = await askFor(SIGN_IN_URL, { method: "DELETE" });
    if (wrong === null) window.location.assign(SIGN_IN_PAGE);
    else setFault(wrong);
  };
  return (
    <p className="ml-auto flex items-center gap-2">
      <span>
        {name}
        {teacher && <span className="quiet"> (teacher)</span>}
      </span>
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => void signOut()}>
        <LogOut size={14} aria-hidden /> Sign out
      </button>
      {fault && (
        <span role="alert" className="text-error">
          {fault}
        </span>
      )}
    </p>
  );
}
