import type { Box } from '../../../core/geometry/index.ts';

export const LABEL_WIDTH = 340;
const GAP = 14;
/** Room for the turning pin, on the side where that stands. */
const PIN = 44;

/** Above what is chosen where there is room, else below, else beside it; where it fills the window, the corner that hides least of it. */
export function labelPlace(
  box: Box,
  { width, height }: { readonly width: number; readonly height: number },
  high: number,
  headDown: boolean,
): { left: number; top: number; width: number } {
  const clampX = (x: number): number => Math.min(width - LABEL_WIDTH - 8, Math.max(8, x));
  const clampY = (y: number): number => Math.min(height - high - 8, Math.max(8, y));
  const [above, below] = headDown ? [GAP, PIN] : [PIN, GAP];
  const centred = clampX((box.left + box.right - LABEL_WIDTH) / 2);
  if (box.top - above - high >= 8) return { left: centred, top: clampY(box.top - above - high), width: LABEL_WIDTH };
  if (box.bottom + below + high <= height - 8)
    return { left: centred, top: clampY(box.bottom + below), width: LABEL_WIDTH };
  const middle = clampY((box.top + box.bottom - high) / 2);
  if (box.right + GAP + LABEL_WIDTH <= width - 8)
    return { left: clampX(box.right + GAP), top: middle, width: LABEL_WIDTH };
  if (box.left - GAP - LABEL_WIDTH >= 8)
    return { left: clampX(box.left - GAP - LABEL_WIDTH), top: middle, width: LABEL_WIDTH };
  const hidden = (left: number, top: number): number =>
    Math.max(0, Math.min(box.right + GAP, left + LABEL_WIDTH) - Math.max(box.left - GAP, left)) *
    Math.max(0, Math.min(box.bottom + below, top + high) - Math.max(box.top - above, top));
  const corners = [8, width - LABEL_WIDTH - 8].flatMap((left) =>
    [8, height - high - 8].map((top) => ({ left, top, width: LABEL_WIDTH })),
  );
  return corners.reduce((best, one) => (hidden(one.left, one.top) < hidden(best.left, best.top) ? one : best));
}
