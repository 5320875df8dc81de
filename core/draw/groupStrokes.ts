import { boxAround, growBox } from '../geometry/index.ts';
import type { Stroke } from '../recipe/index.ts';
import { outlinesOf } from './strokeBox.ts';

/**
 * Strokes that belong together: each joins those of the same colour that it comes nearer to than `near`, mm, by the boxes around
 * them; what is rubbed out belongs to all that it may touch. Groups and what is in them are in the order drawn.
 */
export function groupStrokes(strokes: readonly Stroke[], near: number): Stroke[][] {
  const boxes = strokes.map((stroke) => growBox(boxAround(outlinesOf(stroke).flat()), near / 2));
  const group = strokes.map((_, n) => n);
  const find = (n: number): number => (group[n] === n ? n : (group[n] = find(group[n] as number)));
  strokes.forEach((stroke, n) => {
    const box = boxes[n];
    strokes.slice(0, n).forEach((other, m) => {
      const to = boxes[m];
      if (!box || !to || (stroke.ink !== other.ink && stroke.deed !== 'rubber' && other.deed !== 'rubber')) return;
      if (box.left < to.right && to.left < box.right && box.top < to.bottom && to.top < box.bottom)
        group[find(n)] = find(m);
    });
  });
  const groups = new Map<number, Stroke[]>();
  strokes.forEach((stroke, n) => {
    const root = find(n);
    groups.set(root, [...(groups.get(root) ?? []), stroke]);
  });
  return [...groups.values()].filter((members) => members.some(({ deed }) => deed !== 'rubber'));
}
