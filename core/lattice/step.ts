/** How cells follow each other. Tossed designs use any of these; the toss is in the placing, not in the lattice. */
export type StepKind = 'square' | 'half-drop' | 'brick';

/** The share p/q of the cell by which the next column drops or the next row shifts; lowest terms, 0 <= p < q. */
export interface Fraction {
  readonly p: number;
  readonly q: number;
}

/** Every other column, every other row, or both, show the cell reflected. */
export type Mirroring = 'columns' | 'rows' | 'both';

/** A step; a square one always has the fraction 0/1. */
export interface Step {
  readonly kind: StepKind;
  readonly drop: Fraction;
  /** Which cells are reflected; none where missing. */
  readonly mirrored?: Mirroring;
  /** A half-drop or brick of 1/2 whose cell keeps the proportions of a hexagon. */
  readonly honeycomb?: true;
}

/** The largest denominator: a straight unit of twelve cells is as long as any printer asks for. */
export const LARGEST_DENOMINATOR = 12;

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}

/** p/q in lowest terms with 0 <= p < q, since a whole cell's drop is no drop. */
export function fraction(p: number, q: number): Fraction {
  if (!Number.isInteger(p) || !Number.isInteger(q) || q < 1) {
    throw new RangeError(`a fraction needs whole numbers and q of at least 1, got ${p}/${q}`);
  }
  const within = ((p % q) + q) % q;
  const by = greatestCommonDivisor(q, within);
  return { p: within / by, q: q / by };
}

export const SQUARE: Step = { kind: 'square', drop: { p: 0, q: 1 } };

/** A step of the given kind; square ignores the fraction. */
export function step(kind: StepKind, p = 1, q = 2): Step {
  return kind === 'square' ? SQUARE : { kind, drop: fraction(p, q) };
}

/** The mirrored steps that are symmetries of the cloth: see `imagesOf`. */
export function mirroringsOf({ kind, drop }: Step): readonly Mirroring[] {
  if (kind === 'square') return ['columns', 'rows', 'both'];
  if (drop.p !== 1 || drop.q !== 2) return [];
  return kind === 'half-drop' ? ['columns'] : ['rows'];
}

/** The step with these cells reflected, or none of them. @throws RangeError where reflecting them is no symmetry */
export function mirroredStep({ kind, drop }: Step, mirrored: Mirroring | undefined): Step {
  if (!mirrored) return { kind, drop };
  if (!mirroringsOf({ kind, drop }).includes(mirrored))
    throw new RangeError(`a ${kind} of ${drop.p}/${drop.q} cannot reflect ${mirrored}`);
  return { kind, drop, mirrored };
}

/** All fractions strictly between 0 and 1 with q up to the largest denominator, by size. */
export function everyFraction(): Fraction[] {
  const all: Fraction[] = [];
  for (let q = 2; q <= LARGEST_DENOMINATOR; q += 1) {
    for (let p = 1; p < q; p += 1) {
      if (greatestCommonDivisor(q, p) === 1) all.push({ p, q });
    }
  }
  return all.sort((a, b) => a.p / a.q - b.p / b.q);
}
