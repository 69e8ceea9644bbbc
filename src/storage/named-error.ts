/**
 * An error that is known by its name: the open store is shared by the server's bundles, and each of
 * them has a class of its own. `instanceof` asks for the name, which stands written out since a
 * build may shorten that of the class.
 */
export abstract class NamedError extends Error {
  static readonly kind: string;

  constructor(message?: string) {
    super(message);
    this.name = (this.constructor as typeof NamedError).kind;
  }

  static override [Symbol.hasInstance](error: unknown): boolean {
    return error instanceof Error && error.name === this.kind;
  }
}
