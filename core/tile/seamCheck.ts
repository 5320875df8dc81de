import { everyFraction, SQUARE, step, type Step } from '../lattice/index.ts';
import type { PixelImage } from '../scan/index.ts';
import { blockiness } from './blockiness.ts';
import { type Lines, linesOf, ORDERS, roughness, roughnessInside } from './roughness.ts';

/** Which edges meet: the right one and the left one, or the lower one and the upper one. */
export type Join = 'sides' | 'ends';
export type TileEdge = 'left' | 'right' | 'top' | 'bottom';

/** Something that keeps a tile from being seamless, by name. */
export type SeamFault =
  /** Columns or rows along an edge that do not belong to the picture; those that are transparent by that name. */
  | { readonly kind: 'stray' | 'transparent'; readonly edge: TileEdge; readonly count: number }
  /** The picture does not go on where its edges meet, along so many of its rows or columns, 0 to 1. */
  | { readonly kind: 'break'; readonly join: Join; readonly share: number }
  /** It goes on, but by so much of a pixel earlier than where the edge is, or later where that is below 0. */
  | { readonly kind: 'slip'; readonly join: Join; readonly by: number }
  /** It goes on but in a corner. */
  | { readonly kind: 'corner'; readonly join: Join }
  /** Blocks of eight pixels, as lossy compression leaves them. */
  | { readonly kind: 'blocks' };

type StrayFault = Extract<SeamFault, { readonly edge: TileEdge }>;

/** What a look at the edges of a tile says. */
export interface SeamReport {
  /** The step in which the edges fit best. */
  readonly step: Step;
  /** How rough each join is in that step, against the median inside: about 1 where it is seamless. */
  readonly sides: number;
  readonly ends: number;
  /** Rows in which the sides break, and columns in which the ends do. */
  readonly breaks: { readonly sides: readonly number[]; readonly ends: readonly number[] };
  readonly faults: readonly SeamFault[];
}

/** A join is seen where it is so much rougher than the roughest place inside. */
const SEEN = 1.3;
/** A step with a drop has to be so much smoother than the square to be believed. */
const BETTER = 0.75;
/** A slip of half a pixel is what the join is so much smoother without. */
const SLIPPED = 0.6;
/** How far from an edge stray columns are looked for, pixels. */
const DEEPEST_STRAY = 3;
/** A break that is all within this share of a join, at its ends, is of a corner. */
const CORNER = 0.1;

/**
 * Looks whether a tile is seamless, and in which step: square, half-drop or brick by any fraction up to twelfths.
 *
 * At a join the picture goes on as it does inside. How well it does is told by the first, third and fifth differences across the join, whose means over all
 * rows are compared with those at every place inside: steps tell in a rough picture, and the higher differences in a smooth one.
 *
 * @throws RangeError where a side is shorter than 16 pixels, so that there is no inside
 */
export function checkSeams(tile: PixelImage): SeamReport {
  if (Math.min(tile.width, tile.height) < 16)
    throw new RangeError(`a tile of ${tile.width} × ${tile.height} pixels is too small to tell its joins by`);
  const rows = linesOf(tile, false);
  const columns = linesOf(tile, true);
  const [across, down] = [joinOf(rows), joinOf(columns)];
  const steps: readonly Step[] = [
    SQUARE,
    ...everyFraction().flatMap(({ p, q }) => [step('half-drop', p, q), step('brick', p, q)]),
  ];
  const found = steps.map((one) => {
    const share = one.drop.p / one.drop.q;
    const sides = across.at(one.kind === 'half-drop' ? Math.round(share * rows.count) : 0);
    const ends = down.at(one.kind === 'brick' ? Math.round(share * columns.count) : 0);
    return { step: one, sides, ends };
  });
  const [square] = found as [(typeof found)[number], ...typeof found];
  const best = found.reduce((least, one) => (rough(one) < rough(least) ? one : least));
  const { step: chosen, sides, ends } = rough(best) < BETTER * rough(square) ? best : square;
  const strays = [...strayFaults(tile, across, false), ...strayFaults(tile, down, true)];
  return {
    step: chosen,
    sides: sides.ratio,
    ends: ends.ratio,
    breaks: { sides: sides.breaks, ends: ends.breaks },
    faults: [
      ...strays,
      // Where something does not belong to the picture, its edges are told once that is gone.
      ...(strays.some(({ edge }) => edge === 'left' || edge === 'right') ? [] : joinFaults('sides', sides, across)),
      ...(strays.some(({ edge }) => edge === 'top' || edge === 'bottom') ? [] : joinFaults('ends', ends, down)),
      ...(Math.max(blockiness(rows), blockiness(columns)) > 1.3 ? [{ kind: 'blocks' } as const] : []),
    ],
  };
}

const rough = ({ sides, ends }: { readonly sides: Joined; readonly ends: Joined }): number => sides.ratio + ends.ratio;

/** How two edges meet. */
interface Joined {
  readonly shift: number;
  /** The largest of the orders' means, against the median inside, and against the roughest place inside. */
  readonly ratio: number;
  readonly worst: number;
  /** Lines that are rougher there than any place inside. */
  readonly breaks: readonly number[];
}

interface JoinedEdges {
  readonly lines: Lines;
  readonly inside: ReturnType<typeof roughnessInside>;
  /** The join where each line goes on in the line `shift` above it, between its pixels by `by`. */
  at(shift: number, by?: number): Joined;
}

function joinOf(lines: Lines): JoinedEdges {
  const inside = roughnessInside(lines, DEEPEST_STRAY);
  const known = new Map<string, Joined>();
  const at = (shift: number, by = 0): Joined => {
    const key = `${shift} ${by}`;
    const there = known.get(key);
    if (there) return there;
    let [ratio, worst] = [0, 0];
    const breaks = new Set<number>();
    ORDERS.forEach((order, n) => {
      const values = roughness(lines, order, shift, by);
      const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
      const { median, roughest, sharpest } = inside[n] as (typeof inside)[number];
      ratio = Math.max(ratio, mean / median);
      worst = Math.max(worst, mean / roughest);
      values.forEach((value, line) => {
        if (value > SEEN * sharpest) breaks.add(line);
      });
    });
    const joined = { shift, ratio, worst, breaks: [...breaks].sort((p, q) => p - q) };
    known.set(key, joined);
    return joined;
  };
  return { lines, inside, at };
}

function joinFaults(join: Join, joined: Joined, edges: JoinedEdges): SeamFault[] {
  const { count } = edges.lines;
  const isInCorner = (line: number): boolean => Math.min(line, count - 1 - line) < CORNER * count;
  if (joined.breaks.length > 0 && joined.breaks.every(isInCorner)) return [{ kind: 'corner', join }];
  if (joined.worst > SEEN) {
    for (const by of [-0.5, 0.5])
      if (edges.at(joined.shift, by).worst < Math.min(SEEN, SLIPPED * joined.worst))
        return [{ kind: 'slip', join, by }];
    return [{ kind: 'break', join, share: Math.max(joined.breaks.length, 1) / count }];
  }
  return joined.breaks.length === 0 ? [] : [{ kind: 'break', join, share: joined.breaks.length / count }];
}

/** Columns (rows) along both edges that are cut off from the rest by a rougher step than any inside. */
function strayFaults(tile: PixelImage, { lines, inside }: JoinedEdges, isDown: boolean): StrayFault[] {
  return ([true, false] as const).flatMap((atStart): StrayFault[] => {
    let [count, most] = [0, SEEN];
    for (let deep = 1; deep <= DEEPEST_STRAY; deep += 1) {
      const values = roughness(lines, 1, 0, 0, atStart ? deep : lines.length - deep);
      const { median, roughest } = inside[0] ?? { median: 1, roughest: 1 };
      const worst = values.reduce((sum, value) => sum + value, 0) / values.length / roughest;
      // Along all of the edge, and not in a corner alone.
      const isAlong = values.filter((value) => value > 2 * median).length > values.length / 2;
      if (isAlong && worst > most) [count, most] = [deep, worst];
    }
    if (count === 0) return [];
    const edge: TileEdge = isDown ? (atStart ? 'top' : 'bottom') : atStart ? 'left' : 'right';
    return [{ kind: isClear(tile, edge, count) ? 'transparent' : 'stray', edge, count }];
  });
}

/** Whether the columns or rows along an edge show next to nothing. */
function isClear({ width, height, data }: PixelImage, edge: TileEdge, count: number): boolean {
  const isRow = edge === 'top' || edge === 'bottom';
  const from = edge === 'right' ? width - count : edge === 'bottom' ? height - count : 0;
  let sum = 0;
  for (let n = from; n < from + count; n += 1)
    for (let along = 0; along < (isRow ? width : height); along += 1)
      sum += data[4 * (isRow ? n * width + along : along * width + n) + 3] as number;
  return sum / (count * (isRow ? width : height)) < 13;
}
