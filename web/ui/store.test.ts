import { expect, it, vi } from 'vitest';
import { Cell } from './store.ts';

it('tells whoever listens, once a change, and nobody who has left', () => {
  const cell = new Cell<readonly number[]>([1]);
  const [one, two] = [vi.fn(), vi.fn()];
  cell.subscribe(one);
  const leave = cell.subscribe(two);
  const next = [2];
  cell.set(next);
  // The same value again is no change.
  cell.set(next);
  leave();
  cell.set([3]);
  expect(one).toHaveBeenCalledTimes(2);
  expect(two).toHaveBeenCalledTimes(1);
  expect(cell.getState()).toEqual([3]);
});

it('holds a function like any other value', () => {
  const said = vi.fn();
  const cell = new Cell<(() => void) | undefined>(undefined);
  cell.set(said);
  expect(cell.getState()).toBe(said);
  expect(said).not.toHaveBeenCalled();
});
