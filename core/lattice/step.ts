import { mixed, number, object, string, type InferType } from 'yup';
import { type Immutable, ofWhole } from '../schema/index.ts';
import { fraction, type Fraction, LARGEST_DENOMINATOR } from './fraction.ts';
import { STEP_KINDS } from './steps/index.ts';
import { KINDS, type Mirroring, MIRRORINGS, ROTATIONS, type StepKind, type StepRotation } from './steps/stepKind.ts';

/** A step but for its operations. */
interface PlainStep {
  readonly kind: StepKind;
  readonly drop: Fraction;
}

/** How cells follow each other; a square step always has the fraction 0/1. */
export const stepSchema = object({
  kind: string().oneOf(KINDS).required(),
  /** The fraction p/q of the cell by which the next column drops or the next row shifts. */
  drop: object({
    p: number().integer().min(0).required(),
    q: number().integer().min(1).max(LARGEST_DENOMINATOR).required(),
  })
    .noUnknown()
    .test(
      'lowest',
      '${path} has to be in lowest terms',
      ofWhole(({ p, q }) => {
        const lowest = fraction(p, q);
        return lowest.p === p && lowest.q === q;
      }),
    )
    .required(),
  /** Which cells are reflected; none where missing. */
  mirrored: mixed<Mirroring>().oneOf(MIRRORINGS).optional(),
  /** How cells are rotated; not at all where missing. */
  rotated: mixed<StepRotation>().oneOf(ROTATIONS).optional(),
  /** A half-drop or brick of 1/2 whose cell keeps the proportions of a hexagon. */
  honeycomb: mixed<true>().oneOf([true]).optional(),
})
  .noUnknown()
  .test(
    'square',
    'a square step has no drop',
    ofWhole(({ kind, drop }) => kind !== 'square' || (drop.p === 0 && drop.q === 1)),
  )
  .test(
    'mirrored',
    'these cells cannot be reflected by this step',
    ofWhole(
      ({ mirrored, rotated, kind, drop }) =>
        mirrored === undefined || (rotated === undefined && mirroringsOf({ kind, drop }).includes(mirrored)),
    ),
  )
  .test(
    'rotated',
    'these cells cannot be rotated by this step',
    ofWhole(({ rotated, kind }) => rotated === undefined || rotationsOf({ kind }).includes(rotated)),
  )
  .test(
    'honeycomb',
    'a honeycomb drops by 1/2',
    ofWhole(
      ({ kind, drop, honeycomb, rotated }) =>
        !honeycomb || (kind !== 'square' && drop.p === 1 && drop.q === 2 && rotated === undefined),
    ),
  )
  .required();

export type Step = Immutable<InferType<typeof stepSchema>>;

export const SQUARE: Step = { kind: 'square', drop: { p: 0, q: 1 } };

/** A step of the given kind; square ignores the fraction. */
export function step(kind: StepKind, p = 1, q = 2): Step {
  return kind === 'square' ? SQUARE : { kind, drop: fraction(p, q) };
}

/** The reflections that are symmetries of a step (every plane group with mirrors or glides). */
export function mirroringsOf({ kind, drop }: PlainStep): readonly Mirroring[] {
  return STEP_KINDS[kind].mirrorings(drop);
}

/** The rotations that are symmetries of a step (plane groups p2, p3, p4 and p6). */
export function rotationsOf({ kind }: Pick<PlainStep, 'kind'>): readonly StepRotation[] {
  return kind === 'square' ? ROTATIONS : ['half'];
}

/** The step with these cells reflected, or none of them. @throws RangeError where reflecting them is no symmetry */
export function mirroredStep({ kind, drop }: Step, mirrored: Mirroring | undefined): Step {
  if (!mirrored) return { kind, drop };
  if (!mirroringsOf({ kind, drop }).includes(mirrored))
    throw new RangeError(`a ${kind} of ${drop.p}/${drop.q} cannot reflect ${mirrored}`);
  return { kind, drop, mirrored };
}

/** The step with its cells rotated, or none of them. @throws RangeError where that rotation is no symmetry */
export function rotatedStep({ kind, drop }: Step, rotated: StepRotation | undefined): Step {
  if (!rotated) return { kind, drop };
  if (!rotationsOf({ kind }).includes(rotated))
    throw new RangeError(`a ${kind} cannot rotate cells by a ${rotated} turn`);
  return { kind, drop, rotated };
}

/** The plane groups that steps make, by their crystallographic symbols. */
export type PlaneGroup =
  | 'p1'
  | 'p2'
  | 'pm'
  | 'pg'
  | 'cm'
  | 'pmm'
  | 'pmg'
  | 'pgg'
  | 'cmm'
  | 'p4'
  | 'p4m'
  | 'p4g'
  | 'p3'
  | 'p3m1'
  | 'p31m'
  | 'p6'
  | 'p6m';

const ROTATED_GROUPS: Readonly<Record<StepRotation, PlaneGroup>> = {
  half: 'p2',
  quarter: 'p4',
  third: 'p3',
  sixth: 'p6',
};

/** The plane group of all that a step does to a cell (International Tables for Crystallography A, short symbols). */
export function planeGroupOf({ kind, mirrored, rotated }: Step): PlaneGroup {
  if (rotated) return ROTATED_GROUPS[rotated];
  switch (mirrored) {
    case undefined:
      return 'p1';
    case 'columns':
    case 'rows':
      return kind === 'square' ? 'pm' : 'pg';
    case 'both':
      return kind === 'square' ? 'pmm' : 'cmm';
    case 'chess-across':
    case 'chess-down':
      return 'cm';
    case 'glides':
      return 'pgg';
    case 'columns-turned':
    case 'rows-turned':
      return 'pmg';
    default:
      return mirrored;
  }
}

/** Whether two steps show the cell by the same operations. */
export function hasSameSymmetry(a: Step, b: Step): boolean {
  return a.kind === b.kind && a.mirrored === b.mirrored && a.rotated === b.rotated;
}
