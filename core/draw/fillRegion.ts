import { type Box, type Point, squaredDistances } from '../geometry/index.ts';
import { contourLoops } from './contourLoops.ts';
import { type Coverage, coverageOf, type FilledLoops } from './coverage.ts';

/** Windows about the place that was clicked, mm from side to side, in which its area is looked for in turn. */
const WINDOWS = [60, 200, 600, 2000];
/** Places along the side of a window, while it is looked for and once it is known how far it reaches. */
const [ROUGH, FINE] = [800, 1200];
/** How far a fill goes under the lines about it, mm, and places at the least. */
const [UNDER, LEAST_UNDER] = [0.4, 1.5];

/** An area to fill: its outlines, holes among them, by the even–odd rule; mm of the plane. Or why there is none. */
export type FoundRegion = readonly (readonly Point[])[] | 'open' | 'covered';

/**
 * The area about a place that lines close off, grown a little way under them.
 *
 * @param linesIn everything drawn that touches a window of the plane
 * @param at mm of the plane
 */
export function fillRegion(linesIn: (window: Box) => readonly FilledLoops[], at: Point): FoundRegion {
  for (const width of WINDOWS) {
    const window = windowAbout(at, width);
    const rough = flood(coverageOf(linesIn(window), window, ROUGH), at);
    if (rough === 'covered') return rough;
    if (rough === 'open') continue;
    const near = squareAround(rough.box, 2 * UNDER + width / 100);
    const fine = coverageOf(linesIn(near), near, FINE);
    const region = flood(fine, at);
    // Between two lines that the rough window showed as touching there may be a way out after all.
    if (region === 'open' || region === 'covered') return region;
    return outlinesOf(fine, region.inside);
  }
  return 'open';
}

/** Which places are reached from one without crossing what is covered; and the box around them, mm. */
function flood(
  { side, left, top, step, covered }: Coverage,
  at: Point,
): { readonly inside: Uint8Array; readonly box: Box } | 'open' | 'covered' {
  const start = Math.floor((at.y - top) / step) * side + Math.floor((at.x - left) / step);
  if (covered[start] !== 0) return 'covered';
  const inside = new Uint8Array(side * side);
  // Each place is laid on the pile once.
  const pile = new Int32Array(side * side);
  let height = 0;
  const reach = (place: number): void => {
    if (covered[place] !== 0 || inside[place] !== 0) return;
    inside[place] = 1;
    pile[height] = place;
    height += 1;
  };
  reach(start);
  let [least, most, first, last] = [side, 0, side, 0];
  while (height > 0) {
    height -= 1;
    const place = pile[height] as number;
    const column = place % side;
    const row = (place - column) / side;
    if (column === 0 || row === 0 || column === side - 1 || row === side - 1) return 'open';
    if (column < least) least = column;
    if (column > most) most = column;
    if (row < first) first = row;
    if (row > last) last = row;
    reach(place - 1);
    reach(place + 1);
    reach(place - side);
    reach(place + side);
  }
  const box = {
    left: left + least * step,
    top: top + first * step,
    right: left + (most + 1) * step,
    bottom: top + (last + 1) * step,
  };
  return { inside, box };
}

/** The outlines of an area that has grown under the lines about it, and under nothing else. */
function outlinesOf({ side, left, top, step, covered }: Coverage, inside: Uint8Array): Point[][] {
  const under = Math.max(LEAST_UNDER, UNDER / step);
  const squared = squaredDistances(inside, side, side);
  // The distance, turned about; beyond the lines it falls off at once.
  const values = new Float64Array(side * side);
  for (let n = 0; n < values.length; n += 1)
    values[n] = inside[n] || covered[n] ? -Math.sqrt(squared[n] as number) : -2 * under;
  return contourLoops(values, side, side, -under).map((loop) =>
    loop.map(({ x, y }) => ({ x: left + x * step, y: top + y * step })),
  );
}

function windowAbout({ x, y }: Point, width: number): Box {
  return { left: x - width / 2, top: y - width / 2, right: x + width / 2, bottom: y + width / 2 };
}

function squareAround(box: Box, border: number): Box {
  const width = Math.max(box.right - box.left, box.bottom - box.top) + 2 * border;
  return windowAbout({ x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 }, width);
}
