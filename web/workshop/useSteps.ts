import { useCallback, useEffect, useRef, useState } from 'react';
import type { CleanSteps } from '../../core/scan/scanRecipe.ts';

/** A hand that stops for so long has done something. */
const PAUSE_MS = 500;

/** The steps as they are now, with undo and redo. What a hand does without a pause is one change. */
export interface StepHistory {
  readonly steps: CleanSteps;
  change(next: CleanSteps): void;
  undo(): void;
  redo(): void;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

/**
 * Keeps the history of a sheet's steps and hands every state, once the hand pauses, to be saved.
 *
 * @param save is called last when the page is left
 */
export function useSteps(first: CleanSteps, save: (steps: CleanSteps) => void): StepHistory {
  const [{ steps, past, future }, set] = useState<{ steps: CleanSteps; past: readonly CleanSteps[]; future: readonly CleanSteps[] }>({ steps: first, past: [], future: [] });
  const lastChange = useRef(0);
  const saving = useRef({ save, saved: first, steps: first });
  useEffect(() => {
    saving.current.save = save;
    saving.current.steps = steps;
    const timer = setTimeout(() => flush(saving.current), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [steps, save]);
  useEffect(() => {
    const own = saving.current;
    return () => flush(own);
  }, []);

  return {
    steps,
    change: useCallback((next: CleanSteps) => {
      const now = Date.now();
      const goesOn = now - lastChange.current < PAUSE_MS;
      lastChange.current = now;
      set((old) => ({ steps: next, past: goesOn && old.past.length > 0 ? old.past : [...old.past, old.steps], future: [] }));
    }, []),
    undo: useCallback(() => set((old) => ({ steps: old.past.at(-1) ?? old.steps, past: old.past.slice(0, -1), future: old.past.length > 0 ? [old.steps, ...old.future] : old.future })), []),
    redo: useCallback(() => set((old) => ({ steps: old.future[0] ?? old.steps, past: old.future.length > 0 ? [...old.past, old.steps] : old.past, future: old.future.slice(1) })), []),
    canUndo: past.length > 0,
    canRedo: future.length > 0,
  };
}

function flush(own: { save: (steps: CleanSteps) => void; saved: CleanSteps; steps: CleanSteps }): void {
  if (own.saved === own.steps) return;
  own.saved = own.steps;
  own.save(own.steps);
}
