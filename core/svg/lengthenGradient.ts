import { type Box, cornersOfBox, invert, type Point, transform } from '../geometry/index.ts';
import type { GradientStop, LinearPaint, RadialPaint } from '../motif/index.ts';
import { Unsupported } from './svgContext.ts';

/** Beyond this a gradient is a texture, and costs more as one of many stops than as a picture. */
const MOST_STOPS = 600;

/**
 * A gradient that repeats or reflects, as one long gradient that covers the shape with as many periods as that takes: artwork's
 * gradients end in their last colours.
 *
 * @param shape bounds of all that is painted with it, in the shape's space
 * @throws Unsupported where it repeats too often
 */
export function lengthened(
  paint: LinearPaint | RadialPaint,
  spread: 'reflect' | 'repeat',
  shape: Box | undefined,
): LinearPaint | RadialPaint {
  const back = invert(paint.matrix);
  if (!shape || !back) return paint;
  const corners = cornersOfBox(shape).map((corner) => transform(back, corner));
  const [first, last] = paint.kind === 'linear' ? alongLine(paint, corners) : [0, aroundFocus(paint, corners)];
  if (!(Number.isFinite(first) && Number.isFinite(last))) return paint;
  const begin = Math.min(0, Math.floor(first));
  const end = Math.max(1, Math.ceil(last));
  if ((end - begin) * paint.stops.length > MOST_STOPS) throw new Unsupported('a gradient that repeats very often');
  const stops = repeated(paint.stops, spread, begin, end);
  if (paint.kind === 'linear') {
    const { from, to } = paint;
    const at = (t: number): [number, number] => [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])];
    return { ...paint, from: at(begin), to: at(end), stops };
  }
  const { focus, centre, radius } = paint;
  // The circle of offset t is the last one, scaled by t about the focus.
  return {
    ...paint,
    centre: [focus[0] + end * (centre[0] - focus[0]), focus[1] + end * (centre[1] - focus[1])],
    radius: end * radius,
    stops,
  };
}

/** The least and the greatest offset among points, along the line. */
function alongLine({ from, to }: LinearPaint, points: readonly Point[]): [number, number] {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const offsets = points.map(({ x, y }) => ((x - from[0]) * dx + (y - from[1]) * dy) / (dx * dx + dy * dy));
  return [Math.min(...offsets), Math.max(...offsets)];
}

/**
 * The greatest offset among points: the t > 0 at which the circle about focus + t·(centre - focus) of radius t·r passes through
 * the point, a root of a quadratic. Offsets have no least value but at the focus, so corners are enough.
 */
function aroundFocus({ focus, centre, radius }: RadialPaint, points: readonly Point[]): number {
  const [cx, cy] = [centre[0] - focus[0], centre[1] - focus[1]];
  const a = radius * radius - cx * cx - cy * cy;
  if (!(a > 0)) return Number.NaN;
  return Math.max(
    ...points.map(({ x, y }) => {
      const [px, py] = [x - focus[0], y - focus[1]];
      const b = px * cx + py * cy;
      return (-b + Math.sqrt(b * b + a * (px * px + py * py))) / a;
    }),
  );
}

function repeated(
  stops: readonly GradientStop[],
  spread: 'reflect' | 'repeat',
  begin: number,
  end: number,
): GradientStop[] {
  const all: GradientStop[] = [];
  const edged = withEnds(stops);
  for (let period = begin; period < end; period += 1) {
    const isBackwards = spread === 'reflect' && Math.abs(period) % 2 === 1;
    for (const stop of isBackwards ? edged.map((one) => ({ ...one, offset: 1 - one.offset })).reverse() : edged)
      all.push({ ...stop, offset: (period + stop.offset - begin) / (end - begin) });
  }
  return all;
}

/** With stops at 0 and 1, since a period begins and ends in its outermost colours. */
function withEnds(stops: readonly GradientStop[]): GradientStop[] {
  const [first, last] = [stops[0], stops.at(-1)];
  return [
    ...(first && first.offset > 0 ? [{ ...first, offset: 0 }] : []),
    ...stops,
    ...(last && last.offset < 1 ? [{ ...last, offset: 1 }] : []),
  ];
}
