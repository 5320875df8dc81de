import { useSyncExternalStore } from 'react';
import { createStore, type StoreApi } from 'zustand/vanilla';

/** Something that changes and tells. */
export interface Store<T> {
  subscribe(listener: () => void): () => void;
  getState(): T;
}

/** A value that tells when it is replaced. */
export class Cell<T> implements Store<T> {
  // Held in an object, since a value that is a function would be taken for an update.
  readonly #api: StoreApi<{ readonly value: T }>;

  constructor(value: T) {
    this.#api = createStore(() => ({ value }));
  }

  readonly getState = (): T => this.#api.getState().value;

  readonly subscribe = (listener: () => void): (() => void) => this.#api.subscribe(listener);

  set(value: T): void {
    if (!Object.is(value, this.getState())) this.#api.setState({ value }, true);
  }
}

/**
 * What a store holds, or what a selector makes of it; the component renders again only when that is another.
 *
 * @param select has to give the same value for the same state: what it makes anew each time renders without end
 */
export function useStore<T>(store: Store<T>): T;
export function useStore<T, U>(store: Store<T>, select: (state: T) => U): U;
export function useStore<T, U>(store: Store<T>, select?: (state: T) => U): T | U {
  const read = (): T | U => (select ? select(store.getState()) : store.getState());
  return useSyncExternalStore(store.subscribe, read);
}
