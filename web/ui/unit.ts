import { useSyncExternalStore } from 'react';
import type { LengthUnit } from '../../core/units/index.ts';

/** Units that lengths are shown in on screen. */
export const SHOWN_UNITS = ['mm', 'cm', 'in'] as const satisfies readonly LengthUnit[];
export type ShownUnit = (typeof SHOWN_UNITS)[number];

const KEY = 'hevrel-unit';
const listeners = new Set<() => void>();

/** The unit that this person works in, for what is no component. */
export function shownUnit(): ShownUnit {
  const kept = typeof localStorage === 'undefined' ? undefined : localStorage.getItem(KEY);
  return SHOWN_UNITS.find((unit) => unit === kept) ?? 'mm';
}

function set(unit: ShownUnit): void {
  localStorage.setItem(KEY, unit);
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** The unit that this person works in, and a way to change it. */
export function useUnit(): readonly [ShownUnit, (unit: ShownUnit) => void] {
  return [useSyncExternalStore(subscribe, shownUnit), set];
}
