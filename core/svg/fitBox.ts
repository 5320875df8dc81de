import { type Matrix } from '../geometry/index.ts';
import type { View } from '../motif/index.ts';

/** How `preserveAspectRatio` fits one rectangle into another. */
export interface Fitting {
  readonly matrix: Matrix;
  /** Whether it covers the frame and is cut by it, instead of lying within it. */
  readonly isCut: boolean;
}

/**
 * The map of `box` into `frame` (SVG 2, section 8.6).
 *
 * @param rule the attribute's text; where there is none, xMidYMid meet
 */
export function fitBox(box: View, frame: View, rule = ''): Fitting {
  const [sx, sy] = [frame.width / box.width, frame.height / box.height];
  const [, ax = 'Mid', ay = 'Mid'] = /x(Min|Mid|Max)Y(Min|Mid|Max)/.exec(rule) ?? [];
  const isCut = /slice/.test(rule);
  const isStretched = /^\s*(?:defer\s+)?none/.test(rule);
  const scale = isCut ? Math.max(sx, sy) : Math.min(sx, sy);
  const [kx, ky] = isStretched ? [sx, sy] : [scale, scale];
  return {
    matrix: [
      kx,
      0,
      0,
      ky,
      frame.x - box.x * kx + SHARE[ax as Align] * (frame.width - box.width * kx),
      frame.y - box.y * ky + SHARE[ay as Align] * (frame.height - box.height * ky),
    ],
    isCut: isCut && !isStretched,
  };
}

type Align = 'Min' | 'Mid' | 'Max';
const SHARE: Readonly<Record<Align, number>> = { Min: 0, Mid: 0.5, Max: 1 };
