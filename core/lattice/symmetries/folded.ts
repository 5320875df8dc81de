import type { Point } from '../../geometry/index.ts';
import { SQUARE } from '../step.ts';
import type { Mirroring, StepKind, StepRotation } from '../steps/stepKind.ts';
import { symmetryOp, symmetryOpAbout, type SymmetryOp } from '../symmetry.ts';
import type { Symmetry } from './symmetryKind.ts';

export type FoldedMirroring = Extract<Mirroring, `p${string}`>;
export type FoldedRotation = Extract<StepRotation, 'third' | 'sixth'>;

const SIXTHS = [0, 60, 120, 180, 240, 300] as const;
const THIRDS = [0, 120, 240] as const;
const QUARTERS = [0, 90, 180, 270] as const;
type Turn = SymmetryOp['rotation'];

/** A cell whose operations all leave one of its corners where it is, rotations first. */
function about(corner: Point, rotations: readonly Turn[], reflections: readonly Turn[]): Symmetry['ops'] {
  return ({ width, height }) => {
    const at = { x: corner.x * width, y: corner.y * height };
    return [
      ...rotations.map((turn) => symmetryOpAbout(at, turn, false)),
      ...reflections.map((turn) => symmetryOpAbout(at, turn, true)),
    ];
  };
}

/** The plain repeat so many times as wide and high as the cell's box. */
function larger(kind: StepKind, across: number, down: number): Symmetry['plain'] {
  return ({ width, height }) => ({
    width: across * width,
    height: down * height,
    step: kind === 'square' ? SQUARE : { kind, drop: { p: 1, q: 2 } },
  });
}

const CORNER: Point = { x: 0, y: 0 };
/** Half of a square, cut from the upper left corner to the lower right, and from the upper right to the lower left. */
const HALF_SQUARE: readonly Point[] = [CORNER, { x: 1, y: 0 }, { x: 1, y: 1 }];
const OTHER_HALF_SQUARE: readonly Point[] = [CORNER, { x: 1, y: 0 }, { x: 0, y: 1 }];
/** Equilateral in a box of the proportion √3/2. */
const TRIANGLE: readonly Point[] = [CORNER, { x: 1, y: 0 }, { x: 0.5, y: 1 }];
const TRIANGLE_PROPORTION = Math.sqrt(3) / 2;
const RHOMBUS: readonly Point[] = [
  { x: 0.5, y: 0 },
  { x: 1, y: 0.5 },
  { x: 0.5, y: 1 },
  { x: 0, y: 0.5 },
];
/** A right angle above and below, 60° to the left, 120° to the right. */
const KITE_POINT: Point = { x: 0, y: 0.5 };
const KITE: readonly Point[] = [KITE_POINT, { x: 0.75, y: 0 }, { x: 1, y: 0.5 }, { x: 0.75, y: 1 }];

/**
 * Cells that are no upright rectangles: the fundamental domains of the plane groups of the square and the hexagonal lattice (International Tables
 * for Crystallography A), each with the corner of the highest order where its operations are laid about.
 */
export const FOLDED: Readonly<Record<FoldedMirroring | FoldedRotation, Symmetry>> = {
  p4m: {
    ops: about(CORNER, QUARTERS, QUARTERS),
    plain: larger('square', 2, 2),
    proportion: 1,
    corners: HALF_SQUARE,
  },
  // Quarter turns about a corner that no mirror passes, and the mirror of the side that lies across from it.
  p4g: {
    ops: ({ width }) => [
      ...QUARTERS.map((turn) => symmetryOp(turn, false)),
      symmetryOp(90, true, width, width),
      symmetryOp(180, true, -width, width),
      symmetryOp(270, true, -width, -width),
      symmetryOp(0, true, width, -width),
    ],
    plain: larger('square', 2, 2),
    proportion: 1,
    corners: OTHER_HALF_SQUARE,
  },
  third: {
    ops: about({ x: 0.5, y: 0 }, THIRDS, []),
    plain: larger('brick', 1, 1.5),
    proportion: 1 / Math.sqrt(3),
    corners: RHOMBUS,
    pixelMultiples: { width: 2, height: 2 },
  },
  p3m1: {
    ops: about(CORNER, THIRDS, [60, 180, 300]),
    plain: larger('half-drop', 1.5, 2),
    proportion: TRIANGLE_PROPORTION,
    corners: TRIANGLE,
    pixelMultiples: { width: 2, height: 1 },
  },
  p31m: {
    ops: about(KITE_POINT, THIRDS, THIRDS),
    plain: larger('half-drop', 1.5, 2),
    proportion: TRIANGLE_PROPORTION,
    corners: KITE,
    pixelMultiples: { width: 2, height: 1 },
  },
  sixth: {
    ops: about(CORNER, SIXTHS, []),
    plain: larger('half-drop', 1.5, 2),
    proportion: TRIANGLE_PROPORTION,
    corners: TRIANGLE,
    pixelMultiples: { width: 2, height: 1 },
  },
  p6m: {
    ops: about(CORNER, SIXTHS, SIXTHS),
    plain: larger('brick', 2, 3),
    proportion: 1 / Math.sqrt(3),
    corners: HALF_SQUARE,
  },
};
