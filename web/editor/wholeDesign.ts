import type { Cell } from '../ui/store.ts';
import type { Editor } from './editor.ts';
import type { Saver } from './saver.ts';

/** What a motif may be made for at this moment. */
type Making = Pick<Editor, 'drawing' | 'points' | 'masking' | 'bundling'>;

/**
 * Saves all that was done to a design when this was called, motifs included that are still being made for it: a file must not
 * lack what was finished just before it was asked for.
 *
 * @returns the revision that has it all
 * @throws Error with the reason where it could not be saved
 */
export async function saveWhole(editor: Making, saver: Pick<Saver, 'flush'>): Promise<number> {
  await allMade(editor);
  return saver.flush();
}

/** Whether a motif is being made for a design. */
export function isMaking({ drawing, points, masking, bundling }: Making): boolean {
  return [drawing, points, masking].some(({ making }) => making.getState()) || bundling.underWay.getState().size > 0;
}

/** Waits until all motifs are made, and laid, that are being made for a design. */
export async function allMade({ drawing, points, masking, bundling }: Making): Promise<void> {
  await Promise.all([
    ...[drawing, points, masking].map(({ making }) => until(making, (isUnderWay) => !isUnderWay)),
    until(bundling.underWay, (busy) => busy.size === 0),
  ]);
}

/** Does something to the whole design: at once, or, where a motif is being made for it, once that lies on the cloth too. */
export async function whenMade(editor: Making, act: () => void): Promise<void> {
  if (isMaking(editor)) await allMade(editor);
  act();
}

/** Waits until a value is as it should be. */
function until<T>(cell: Cell<T>, isSo: (value: T) => boolean): Promise<void> {
  return new Promise((resolve) => {
    const look = (): void => {
      if (!isSo(cell.getState())) return;
      leave();
      resolve();
    };
    const leave = cell.subscribe(look);
    look();
  });
}
