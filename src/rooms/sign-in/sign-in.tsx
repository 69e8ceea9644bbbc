"use client";

import { useState } from "react";
import { SIGN_IN_URL } from "@/model/addresses";
import { askFor, jsonOf } from "@/ui/ask";
import { QuietPage } from "@/ui/quiet-page";

/** The way into one's space on a server. */
export function SignIn() {
  const [name, setName] = useState("");
  const [phrase, setPhrase] = useState("");
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const signIn = async (): Promise<void> => {
    setBusy(true);
    const wrong = await askFor(SIGN_IN_URL, jsonOf("POST", { name, phrase }));
    // A page of its own, so that nothing of whoever was here before is left in it.
    if (wrong === null) return window.location.assign("/");
    setBusy(false);
    setFault(wrong);
  };
  return (
    <QuietPage title="Whose table is it?">
      <form
        className="grid max-w-sm gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void signIn();
        }}
      >
        <label className="grid gap-1">
          Name
          <input
            className="input w-full"
            autoComplete="username"
            required
            value={name}
            onChange={({ target }) => setName(target.value)}
          />
        </label>
        <label className="grid gap-1">
          Pass phrase
          <input
            className="input w-full"
            type="password"
            autoComplete="current-password"
            required
            value={phrase}
            onChange={({ target }) => setPhrase(target.value)}
          />
        </label>
        {fault && (
          <p role="alert" className="text-error">
            {fault}
          </p>
        )}
        <button type="submit" className="btn btn-primary mt-2 justify-self-start" disabled={busy}>
          {busy ? "Looking …" : "Sign in"}
        </button>
      </form>
      <p className="quiet mt-6">Spaces are made by whoever looks after this server.</p>
    </QuietPage>
  );
}
