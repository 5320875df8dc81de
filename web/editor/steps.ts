import { Cell } from '../ui/store.ts';

/** What can be undone and done again, as whole states; for what is not a command of the design yet. */
export class Steps<T> {
  /** How many steps there are each way. */
  readonly counts = new Cell({ past: 0, future: 0 });
  #past: T[] = [];
  #future: T[] = [];

  /** Remembers a state before it is changed. */
  push(before: T): void {
    this.#past.push(before);
    this.#future = [];
    this.#count();
  }

  /** @returns the state before, or undefined where there is none */
  undo(now: T): T | undefined {
    return this.#go(this.#past, this.#future, now);
  }

  redo(now: T): T | undefined {
    return this.#go(this.#future, this.#past, now);
  }

  clear(): void {
    this.#past = [];
    this.#future = [];
    this.#count();
  }

  #go(from: T[], to: T[], now: T): T | undefined {
    const state = from.pop();
    if (state !== undefined) to.push(now);
    this.#count();
    return state;
  }

  #count(): void {
    this.counts.set({ past: this.#past.length, future: this.#future.length });
  }
}
