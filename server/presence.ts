/** A window is taken for closed when it has not been heard of for this long, ms. */
const GONE_AFTER = 30_000;

interface Seen {
  readonly at: number;
  readonly editing: boolean;
}

/** Which windows have which design open, as far as they have told lately. */
export class PresenceRegistry {
  readonly #designs = new Map<string, Map<string, Seen>>();

  /** @param now ms, of any clock that does not go back */
  constructor(readonly now: () => number = () => performance.now()) {}

  /** Takes note of a window, and says of the others whether each is being edited in. */
  others(design: string, window: string, editing: boolean): { readonly editing: boolean }[] {
    const windows = this.#designs.get(design) ?? new Map<string, Seen>();
    this.#designs.set(design, windows.set(window, { at: this.now(), editing }));
    for (const [id, { at }] of windows) if (this.now() - at > GONE_AFTER) windows.delete(id);
    return [...windows].filter(([id]) => id !== window).map(([, seen]) => ({ editing: seen.editing }));
  }

  leave(design: string, window: string): void {
    const windows = this.#designs.get(design);
    windows?.delete(window);
    if (windows?.size === 0) this.#designs.delete(design);
  }
}
