import type { Hex } from '../colour/index.ts';
import { IDENTITY } from '../geometry/index.ts';
import type { Paint } from '../motif/index.ts';
import type { Stroke } from '../recipe/index.ts';

/** Places of a shading that are nearer to each other than this, mm, are one, and it is even. */
const LEAST = 0.01;

/** What fills a stroke, or what it goes round: an ink, and what its shading goes over to. */
export function strokePaint({ shading, opacity }: Pick<Stroke, 'shading' | 'opacity'>, ink: Hex): Paint {
  if (!shading) return { kind: 'ink', ink, opacity };
  const { kind, from, to } = shading;
  const radius = Math.hypot(to.x - from.x, to.y - from.y);
  if (radius < LEAST) return { kind: 'ink', ink, opacity };
  const stops = [
    { offset: 0, ink, opacity },
    { offset: 1, ink: shading.ink, opacity: opacity * shading.opacity },
  ];
  const [start, end] = [[from.x, from.y] as const, [to.x, to.y] as const];
  return kind === 'linear'
    ? { kind, from: start, to: end, matrix: IDENTITY, stops }
    : { kind, focus: start, centre: start, radius, matrix: IDENTITY, stops };
}

/** Of the line itself, or of an area: shaded where it goes round nothing that is. */
export function linePaint(stroke: Stroke): Paint {
  const isPlain = stroke.fill !== null && stroke.deed !== 'area';
  return strokePaint(isPlain ? { opacity: stroke.opacity } : stroke, stroke.ink);
}
