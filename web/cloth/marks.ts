import type { Findings } from '../../core/check/index.ts';
import type { Box, Point } from '../../core/geometry/index.ts';
import { applyOpToPoint, indicesTouching, type Lattice, latticeTranslate } from '../../core/lattice/index.ts';
import type { Hole } from '../../core/toss/index.ts';
import { formatNumber } from '../../core/units/index.ts';
import type { Editor } from '../editor/editor.ts';
import { keptCell } from '../ui/keptCell.ts';
import { TEXTS } from './texts.ts';

/** Something on the cloth that can be taken and worked on. */
export type Mark = {
  readonly key: string;
  readonly name: string;
  readonly short: string;
  /** Motifs it is about. */ readonly ids: readonly string[];
} & (
  | {
      readonly kind: 'hole' | 'clump' | 'pair';
      /** mm */ readonly x: number;
      readonly y: number;
      readonly r: number;
      readonly lattice: Lattice;
      /** Of a pair, whether nothing is between them. */
      readonly isTouching?: boolean;
    }
  | {
      readonly kind: 'lane';
      readonly angle: number;
      readonly width: number;
      readonly at: Point;
      readonly apart: number;
    }
);

/** Whether marks of the check are seen on the cloth; this browser keeps it. */
export const marksShown = keptCell('hevrel-marks', true, Boolean);

/** A pair is ringed at least so widely, mm. */
const PAIR_R = 3;

/** All that is marked on the cloth, each once; its instances are arithmetic. */
export function marksOf(lattice: Lattice, holes: readonly Hole[], findings: Findings | undefined): Mark[] {
  const round = { lattice };
  return [
    ...(findings?.lanes ?? []).map(({ angle, width, at, apart, ids }, n): Mark => ({
      kind: 'lane',
      key: `lane ${n}`,
      name: TEXTS.laneWidthMmWide(formatNumber(width, 1)),
      short: formatNumber(width, 0),
      ids,
      angle,
      width,
      at,
      apart,
    })),
    ...holes.map((hole, n): Mark => ({
      kind: 'hole',
      key: `hole ${n}`,
      name: TEXTS.holeRMmAcross(formatNumber(2 * hole.r, 1)),
      short: formatNumber(2 * hole.r, 0),
      ids: [],
      ...hole,
      ...round,
    })),
    ...(findings?.clumps ?? []).map(({ ids, x, y, r }, n): Mark => ({
      kind: 'clump',
      key: `clump ${n}`,
      name: TEXTS.clumpOfCount(ids.length),
      short: `${ids.length}×`,
      ids,
      x,
      y,
      r: r + 6,
      ...round,
    })),
    ...(findings?.pairs ?? []).map(({ a, b, mm, at }, n): Mark => ({
      kind: 'pair',
      key: `pair ${n}`,
      name: mm <= 0 ? TEXTS.touchingMotifs : TEXTS.twoMmMmApart(formatNumber(mm, 1)),
      short: formatNumber(Math.max(0, mm), 1),
      isTouching: mm <= 0,
      ids: [a, b],
      ...at,
      r: PAIR_R,
      ...round,
    })),
  ];
}

/** Where a round mark is seen: its instances and reflections in a window, mm. */
export function seenIn({ x, y, r, lattice }: Extract<Mark, { r: number }>, window: Box): Point[] {
  return lattice.ops.flatMap((image) => {
    const at = applyOpToPoint(image, { x, y });
    return indicesTouching(lattice, { left: at.x - r, top: at.y - r, right: at.x + r, bottom: at.y + r }, window).map(
      (steps) => {
        const by = latticeTranslate(lattice, steps);
        return { x: at.x + by.x, y: at.y + by.y };
      },
    );
  });
}

/** The middles of the lanes beside each other that a window shows: points on them nearest to its middle, mm, the nearest first. */
export function lanesSeen({ angle, width, at, apart }: Extract<Mark, { kind: 'lane' }>, window: Box): Point[] {
  const normal = { x: -Math.sin((angle * Math.PI) / 180), y: Math.cos((angle * Math.PI) / 180) };
  const middle = { x: (window.left + window.right) / 2, y: (window.top + window.bottom) / 2 };
  const off = normal.x * (at.x - middle.x) + normal.y * (at.y - middle.y);
  const far = Math.hypot(window.right - window.left, window.bottom - window.top) / 2 + width;
  const seen: number[] = [];
  for (let n = Math.ceil((-far - off) / apart); off + n * apart <= far; n += 1) seen.push(off + n * apart);
  return seen
    .sort((p, q) => Math.abs(p) - Math.abs(q))
    .map((distance) => ({ x: middle.x + normal.x * distance, y: middle.y + normal.y * distance }));
}

/** Takes a mark in hand where it is seen: the motifs it is about are chosen there. */
export function takeMark(editor: Editor, mark: Mark, at: Point): void {
  editor.selectNear(mark.ids, at);
  editor.mark.set(mark.key);
  editor.part.set('check');
  editor.announcement.set(mark.name);
}
