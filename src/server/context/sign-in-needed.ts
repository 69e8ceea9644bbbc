import { NamedError } from "@/storage/named-error";

/** Nobody is signed in, or no longer. */
export class SignInNeeded extends NamedError {
  static override readonly kind = "SignInNeeded";

  constructor() {
    super("You are not signed in any more. What you changed is kept in this browser; sign in, and it is sent.");
  }
}
