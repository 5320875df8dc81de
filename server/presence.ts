/** A window is taken for closed when it has not been heard of for this long, ms. */
const GONE_AFTER = 30_000;

interface Seen {
  readonly at: number;
  readonly editing: boolean;
}

/** Which windows have which design open, as far as they have told lately. */
export class PresenceRegistry {
  #forgotten = Number.NEGATIVE_INFINITY;
  readonly #designs = new Map<string, Map<string, Seen>>();

  /** @param now ms, of any clock that does not go back */
  constructor(readonly now: () => number = () => performance.now()) {}

  /** Takes note of a window, and says of the others whether each is being edited in. */
  others(design: string, window: string, editing: boolean): { readonly editing: boolean }[] {
    this.#forgetGone();
    const windows = this.#designs.get(design) ?? new Map<string, Seen>();
    this.#designs.set(design, windows.set(window, { at: this.now(), editing }));
    const here = [...windows].filter(([id, { at }]) => id !== window && this.now() - at <= GONE_AFTER);
    return here.map(([, seen]) => ({ editing: seen.editing }));
  }

  leave(design: string, window: string): void {
    const windows = this.#designs.get(design);
    windows?.delete(window);
    if (windows?.size === 0) this.#designs.delete(design);
  }

  /** Lets go of windows that have fallen silent, of all designs: they need not have said that they leave. */
  #forgetGone(): void {
    if (this.now() - this.#forgotten < GONE_AFTER) return;
    this.#forgotten = this.now();
    for (const [design, windows] of this.#designs) {
      for (const [id, { at }] of windows) if (this.now() - at > GONE_AFTER) windows.delete(id);
      if (windows.size === 0) this.#designs.delete(design);
    }
  }

  /** Designs of which anything is remembered. */
  get size(): number {
    return this.#designs.size;
  }
}
