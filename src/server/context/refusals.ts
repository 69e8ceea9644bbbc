import { NamedError } from "@/storage/named-error";

/** Nobody is signed in, or no longer. */
export class SignInNeeded extends NamedError {
  static override readonly kind = "SignInNeeded";

  constructor() {
    super("You are not signed in any more. What you changed is kept in this browser; sign in, and it is sent.");
  }
}

/** A second screen asked for something that is not its own, or is not paired. */
export class NotForGuests extends NamedError {
  static override readonly kind = "NotForGuests";

  constructor() {
    super("This is not for a second screen. Do it on the desk.");
  }
}

/** A save came while something is being put in place of all that is there. */
export class BeingReplaced extends NamedError {
  static override readonly kind = "BeingReplaced";

  constructor() {
    super(
      "Something is being put back in place of all that is here. What you changed is kept in this browser; it is sent once that is done.",
    );
  }
}
