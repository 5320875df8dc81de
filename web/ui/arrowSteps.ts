import type { Point } from '../../core/geometry/index.ts';

/** Which way each arrow key goes, by one to the right or down. */
export const ARROW_STEPS: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

interface KeyPress {
  readonly key: string;
  readonly shiftKey: boolean;
  preventDefault(): void;
}

/** How far an arrow key moves something, ten times as far with Shift; the page does not scroll then. Nothing for other keys. */
export function takeArrow(event: KeyPress, step = 1): Point | undefined {
  const way = ARROW_STEPS[event.key];
  if (!way) return undefined;
  event.preventDefault();
  const by = event.shiftKey ? 10 * step : step;
  return { x: way.x * by, y: way.y * by };
}
