import { boxAroundCentre, type Design, type Guide, guideLines, withSymmetry } from '../document/index.ts';
import { type Box, growBox, type Point, shiftBox } from '../geometry/index.ts';
import { indexOfCellAt, indicesTouching, type Lattice, latticeTranslate, symmetryElements } from '../lattice/index.ts';
import type { Motif } from '../motif/index.ts';
import type { Axis } from './align.ts';

/** What can catch what is moved: the cell's lines and guides, and the boxes of all that lies still, with their instances. */
export interface SnapTargets {
  readonly lattice: Lattice;
  /** Upright boxes, mm on the plane, each standing for all its instances. */
  readonly boxes: readonly Box[];
  readonly guides: readonly Omit<Guide, 'id'>[];
}

/** A line that has caught what is moved. */
export interface SnapLine {
  /** The axis whose coordinate it fixes: a line across `x` is upright. */
  readonly axis: Axis;
  /** mm on the plane. */
  readonly at: number;
  /** What it belongs to: a share of the cell, a centre or mirror of its symmetry, a guide, another motif, or equal gaps to both sides. */
  readonly kind: 'cell' | 'centre' | 'mirror' | 'guide' | 'motif' | 'gap';
  /** Where along itself it is shown, mm. */
  readonly from: number;
  readonly to: number;
  /** A share of the cell such as 1/3; or mm between the two, or of each gap. */
  readonly share?: string;
  readonly distance?: number;
  /** Where it runs, mm on the plane, when it is neither upright nor level. */
  readonly aslant?: readonly [Point, Point];
}

export interface SnapResult {
  /** How much farther it is to be moved, mm. */
  readonly by: Point;
  readonly lines: readonly SnapLine[];
}

const SHARES: readonly (readonly [number, string])[] = [
  [0, '0'],
  [1 / 4, '1/4'],
  [1 / 3, '1/3'],
  [1 / 2, '1/2'],
  [2 / 3, '2/3'],
  [3 / 4, '3/4'],
];

interface Catch {
  readonly off: number;
  readonly line: SnapLine;
}

/** What lies still while these move. */
export function snapTargets(
  lattice: Lattice,
  { placements, guides }: Pick<Design, 'placements' | 'guides'>,
  motifs: ReadonlyMap<string, Pick<Motif, 'width' | 'view'>>,
  moving: ReadonlySet<string>,
): SnapTargets {
  const still = placements.filter(({ id }) => !moving.has(id));
  const boxes = withSymmetry(lattice, still).flatMap((placement) => {
    const motif = motifs.get(placement.motif);
    return motif ? [shiftBox(boxAroundCentre(placement, motif), placement)] : [];
  });
  return {
    lattice,
    boxes,
    guides: guides.flatMap((guide) => guideLines(guide, lattice)),
  };
}

/**
 * Moves a box onto the nearest lines within reach, each axis by itself: the cell's edges, quarters, thirds and half and its guides
 * (of the cell that holds its middle), the edges and middles of what lies around, instances included, and the place with
 * equal gaps to the neighbours on both sides. Before all of them, its middle onto a centre of rotation or a mirror of the step, where
 * it is shown once.
 *
 * @param reach mm
 */
export function snap(box: Box, { lattice, boxes, guides }: SnapTargets, reach: number): SnapResult {
  const onElement = snapToElement(box, lattice, reach);
  if (onElement) return onElement;
  const near = around(box, lattice, boxes);
  const catches = (['x', 'y'] as const).map((axis) =>
    nearestOf(
      [...cellCatches(box, lattice, guides, axis), ...motifCatches(box, near, axis), ...gapCatches(box, near, axis)],
      reach,
    ),
  );
  return {
    by: { x: catches[0]?.off ?? 0, y: catches[1]?.off ?? 0 },
    lines: catches.flatMap((snapLine) => (snapLine ? [snapLine.line] : [])),
  };
}

/** The middle of a box onto the nearest centre of rotation within reach, or else onto the nearest mirror. */
function snapToElement(box: Box, lattice: Lattice, reach: number): SnapResult | undefined {
  if (lattice.ops.length === 1) return undefined;
  const [x, y] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
  const window = growBox({ left: x, top: y, right: x, bottom: y }, reach);
  const { centres, axes } = symmetryElements(lattice, window);
  const far = (by: Point): number => Math.hypot(by.x, by.y);
  const nearest = (all: readonly SnapResult[]): SnapResult | undefined =>
    all.reduce<SnapResult | undefined>(
      (best, one) => (far(one.by) > reach || (best && far(best.by) <= far(one.by)) ? best : one),
      undefined,
    );
  const { left, top, right, bottom } = box;
  return (
    nearest(
      centres.map((centre) => ({
        by: { x: centre.x - x, y: centre.y - y },
        lines: [
          { axis: 'x', at: centre.x, kind: 'centre', from: top, to: bottom, share: `${centre.order}` },
          { axis: 'y', at: centre.y, kind: 'centre', from: left, to: right, share: `${centre.order}` },
        ],
      })),
    ) ?? nearest(axes.filter(({ glides }) => !glides).map(({ from, to }) => ontoMirror({ x, y }, from, to, box)))
  );
}

function ontoMirror({ x, y }: Point, from: Point, to: Point, { left, top, right, bottom }: Box): SnapResult {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const along = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
  const share = (x - from.x) * along.x + (y - from.y) * along.y;
  const at = { x: from.x + share * along.x, y: from.y + share * along.y };
  const half = Math.max(right - left, bottom - top) / 2;
  const ends = [-half, half].map((by) => ({ x: at.x + by * along.x, y: at.y + by * along.y })) as [Point, Point];
  const [axis, place]: readonly [Axis, number] = Math.abs(along.x) < Math.abs(along.y) ? ['x', at.x] : ['y', at.y];
  return {
    by: { x: at.x - x, y: at.y - y },
    lines: [{ axis, at: place, kind: 'mirror', from: -half, to: half, aslant: ends }],
  };
}

/** The instances of all that lies within half a cell of the box. */
function around(box: Box, lattice: Lattice, boxes: readonly Box[]): Box[] {
  const [mx, my] = [lattice.cell.width / 2, lattice.cell.height / 2];
  const window = { left: box.left - mx, top: box.top - my, right: box.right + mx, bottom: box.bottom + my };
  return boxes.flatMap((box) =>
    indicesTouching(lattice, box, window).map((steps) => shiftBox(box, latticeTranslate(lattice, steps))),
  );
}

function cellCatches(box: Box, lattice: Lattice, guides: SnapTargets['guides'], axis: Axis): Catch[] {
  const middle = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
  const origin = latticeTranslate(lattice, indexOfCellAt(lattice, middle));
  const size = axis === 'x' ? lattice.cell.width : lattice.cell.height;
  const [from, to] =
    axis === 'x' ? [origin.y, origin.y + lattice.domain.height] : [origin.x, origin.x + lattice.domain.width];
  const lines = [
    ...SHARES.map(([share, name]) => ({ at: share * size, every: size, kind: 'cell' as const, share: name })),
    ...guides
      .filter((guide) => guide.axis === axis)
      .map(({ at }) => ({
        at,
        every: axis === 'x' ? lattice.domain.width : lattice.domain.height,
        kind: 'guide' as const,
      })),
  ];
  return lines.flatMap(({ at: place, every, ...kind }) =>
    pointsOf(box, axis).map((at) => {
      const base = (axis === 'x' ? origin.x : origin.y) + place;
      // Any cell beside this one along the axis has the same line.
      const line = base + Math.round((at - base) / every) * every;
      return { off: line - at, line: { axis, at: line, from, to, ...kind } };
    }),
  );
}

function motifCatches(box: Box, near: readonly Box[], axis: Axis): Catch[] {
  const catches: Catch[] = [];
  for (const other of near) {
    for (const line of pointsOf(other, axis)) {
      for (const at of pointsOf(box, axis)) {
        const [low, high] = [spanOf(box, across(axis)), spanOf(other, across(axis))];
        catches.push({
          off: line - at,
          line: {
            axis,
            at: line,
            kind: 'motif',
            from: Math.min(low[0], high[0]),
            to: Math.max(low[1], high[1]),
            distance: Math.max(0, high[0] - low[1], low[0] - high[1]),
          },
        });
      }
    }
  }
  return catches;
}

function gapCatches(box: Box, near: readonly Box[], axis: Axis): Catch[] {
  const [low, high] = spanOf(box, axis);
  const [from, to] = spanOf(box, across(axis));
  // Neighbours are what stands level with it.
  const level = near.filter((other) => {
    const [a, b] = spanOf(other, across(axis));
    return a < to && b > from;
  });
  const middle = (low + high) / 2;
  const before = level.map((other) => spanOf(other, axis)[1]).filter((end) => end < middle);
  const after = level.map((other) => spanOf(other, axis)[0]).filter((start) => start > middle);
  if (before.length === 0 || after.length === 0) return [];
  const [left, right] = [Math.max(...before), Math.min(...after)];
  const gap = (right - left - (high - low)) / 2;
  if (gap < 0) return [];
  return [{ off: left + gap - low, line: { axis, at: (left + right) / 2, kind: 'gap', from, to, distance: gap } }];
}

/** The least movement; of equal ones the cell's, then that of equal gaps. */
function nearestOf(catches: readonly Catch[], reach: number): Catch | undefined {
  let best: Catch | undefined;
  for (const snapLine of catches)
    if (Math.abs(snapLine.off) <= reach && (!best || Math.abs(snapLine.off) < Math.abs(best.off) - 1e-9))
      best = snapLine;
  return best;
}

function across(axis: Axis): Axis {
  return axis === 'x' ? 'y' : 'x';
}

function spanOf(box: Box, axis: Axis): readonly [number, number] {
  return axis === 'x' ? [box.left, box.right] : [box.top, box.bottom];
}

/** Both edges and the middle. */
function pointsOf(box: Box, axis: Axis): readonly [number, number, number] {
  const [low, high] = spanOf(box, axis);
  return [(low + high) / 2, low, high];
}
