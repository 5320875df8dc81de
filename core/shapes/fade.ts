import { type Box, IDENTITY, type Point } from '../geometry/index.ts';
import type { Paint } from '../motif/index.ts';
import type { Fade, FadeStop, Fill } from '../recipe/index.ts';

/** Where a fade begins and where it ends, mm. */
export interface FadeLine {
  readonly from: Point;
  readonly to: Point;
}

/**
 * The line along which a fade runs: of a glow, from its middle to the right.
 *
 * @param box around the piece, with all that is one outline with it
 * @param place of the piece
 */
export function fadeLine(fade: Fade, box: Box, place: Point): FadeLine {
  const at = ({ x, y }: Point): Point => ({ x: place.x + x, y: place.y + y });
  if (fade.kind === 'line') return { from: at(fade.from), to: at(fade.to) };
  if (fade.kind === 'glow')
    return { from: at(fade.middle), to: at({ x: fade.middle.x + fade.radius, y: fade.middle.y }) };
  const angle = (fade.angle * Math.PI) / 180;
  const [ux, uy] = [Math.cos(angle), Math.sin(angle)];
  const reach = (Math.abs(ux) * (box.right - box.left) + Math.abs(uy) * (box.bottom - box.top)) / 2;
  const [cx, cy] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
  return { from: { x: cx - reach * ux, y: cy - reach * uy }, to: { x: cx + reach * ux, y: cy + reach * uy } };
}

/** The fade with one end of its line moved. One that ran across the piece runs between two points from then on. */
export function withFadeEnd(fade: Fade, line: FadeLine, end: 'from' | 'to', at: Point, place: Point): Fade {
  const off = ({ x, y }: Point): Point => ({ x: x - place.x, y: y - place.y });
  if (fade.kind !== 'glow') {
    const moved = { ...line, [end]: at };
    return { kind: 'line', from: off(moved.from), to: off(moved.to), stops: fade.stops };
  }
  if (end === 'from') return { ...fade, middle: off(at) };
  return { ...fade, radius: Math.max(0.1, Math.hypot(at.x - line.from.x, at.y - line.from.y)) };
}

/** The stops with one of them moved, no farther than to its neighbours. */
export function withStopAt(stops: readonly FadeStop[], index: number, offset: number): readonly FadeStop[] {
  const least = stops[index - 1]?.offset ?? 0;
  const most = stops[index + 1]?.offset ?? 1;
  const held = Math.min(most, Math.max(least, offset));
  return stops.map((stop, n) => (n === index ? { ...stop, offset: held } : stop));
}

/** How far along a line a point lies, 0 to 1 and beyond. */
export function shareAlong({ from, to }: FadeLine, { x, y }: Point): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = dx * dx + dy * dy;
  return length === 0 ? 0 : ((x - from.x) * dx + (y - from.y) * dy) / length;
}

/** What a fill is painted with. */
export function fillPaint({ ink, fade }: Fill, box: Box, place: Point): Paint {
  if (!fade) return { kind: 'ink', ink, opacity: 1 };
  const { from, to } = fadeLine(fade, box, place);
  const shared = { matrix: IDENTITY, stops: fade.stops };
  if (fade.kind === 'glow')
    return { kind: 'radial', focus: [from.x, from.y], centre: [from.x, from.y], radius: fade.radius, ...shared };
  return { kind: 'linear', from: [from.x, from.y], to: [to.x, to.y], ...shared };
}
