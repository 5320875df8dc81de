import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';

/** Things that are made once for all who ask for the same, as long as they are remembered. */
export class MadeOnce<T extends object | string> {
  readonly #made: LRUCache<string, Promise<T>>;

  /** @param max how many are remembered */
  constructor(max: number) {
    this.#made = new LRUCache({ max });
  }

  /**
   * @param from all that it depends on, as JSON
   * @param make is not remembered where it fails
   */
  get(from: readonly unknown[], make: () => Promise<T>): Promise<T> {
    const key = keyOf(from);
    const there = this.#made.get(key);
    if (there) return there;
    const made = make();
    this.#made.set(key, made);
    made.catch(() => {
      if (this.#made.peek(key) === made) this.#made.delete(key);
    });
    return made;
  }

  /** Has it made anew the next time. */
  forget(from: readonly unknown[]): void {
    this.#made.delete(keyOf(from));
  }
}

function keyOf(from: readonly unknown[]): string {
  return createHash('sha256').update(JSON.stringify(from)).digest('base64url');
}
