import { useSyncExternalStore } from 'react';

/** Something that changes and tells. */
export interface Store<T> {
  subscribe(listener: () => void): () => void;
  getState(): T;
}

/** A value that tells when it is replaced. */
export class Cell<T> implements Store<T> {
  #value: T;
  readonly #listeners = new Set<() => void>();

  constructor(value: T) {
    this.#value = value;
  }

  readonly getState = (): T => this.#value;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  set(value: T): void {
    if (Object.is(value, this.#value)) return;
    this.#value = value;
    for (const listener of this.#listeners) listener();
  }
}

export function useStore<T>(store: Store<T>): T {
  return useSyncExternalStore(store.subscribe, store.getState);
}
