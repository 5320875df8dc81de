import { evaluate, QuantityError, type UnitTable } from './evaluate.ts';

/** Units a length is shown and typed in; inside, every length is in millimetres. */
export type LengthUnit = 'mm' | 'cm' | 'in' | 'px';

/** Millimetres in an inch, by definition (international inch, 1959). */
export const MM_PER_INCH = 25.4;

/** What one `unit` is in millimetres; `dpi` only matters for pixels. */
export function mmPer(unit: LengthUnit, dpi = 300): number {
  switch (unit) {
    case 'mm':
      return 1;
    case 'cm':
      return 10;
    case 'in':
      return MM_PER_INCH;
    case 'px':
      return MM_PER_INCH / dpi;
  }
}

/** How a typed length is to be understood. */
export interface LengthReading {
  /** The unit of a bare number. */
  readonly unit: LengthUnit;
  /** Pixels per inch behind `px`. */
  readonly dpi?: number;
  /** The value in mm that a leading sign adds to. */
  readonly current?: number;
  /** Whether a negative length is a length (a place) or makes no sense (a size). */
  readonly signed?: boolean;
  /** Inclusive bounds in mm. */
  readonly min?: number;
  readonly max?: number;
}

const DECIMALS: Readonly<Record<LengthUnit, number>> = { mm: 2, cm: 3, in: 3, px: 1 };
/** Half a per cent of a length is seen at a glance; finer digits of what nobody typed say nothing. */
const FINE_ENOUGH = 0.005;

/**
 * A length as people write it, the unit behind, no trailing noughts. What ends within a hundredth of a millimetre, as typed lengths do, is
 * written out; what came of reckoning has as many digits as matter: `109.5 mm` stays, 109.0909 is `109 mm`.
 */
export function formatLength(mm: number, unit: LengthUnit, dpi = 300): string {
  const value = mm / mmPer(unit, dpi);
  const finest = DECIMALS[unit];
  return `${formatNumber(value, endsWithin(value, finest) ? finest : digitsThatMatter(value, finest))} ${unit}`;
}

function endsWithin(value: number, decimals: number): boolean {
  const scaled = value * 10 ** decimals;
  return Math.abs(scaled - Math.round(scaled)) < 1e-6 * Math.max(1, Math.abs(scaled));
}

function digitsThatMatter(value: number, finest: number): number {
  for (let decimals = 0; decimals < finest; decimals += 1)
    if (0.5 * 10 ** -decimals <= FINE_ENOUGH * Math.abs(value)) return decimals;
  return finest;
}

/** A number with at most `decimals` places and no trailing noughts; never “-0”. */
export function formatNumber(value: number, decimals = 2): string {
  const text = value.toFixed(decimals).replace(/\.?0+$/, '');
  if (decimals === 0) return value.toFixed(0);
  return text === '-0' || text === '' ? '0' : text;
}

/**
 * Reads what a person types for a length: `64cm`, `2 1/2 in`, `640/3`, `+12`.
 *
 * A leading `+` adds to the current value; a leading `-` takes away where a negative length makes no sense.
 *
 * @returns millimetres
 * @throws QuantityError with a sentence for the person
 */
export function parseLength(text: string, reading: LengthReading): number {
  const { unit, dpi = 300, current, signed = false, min, max } = reading;
  const units: UnitTable = {
    mm: 1,
    cm: 10,
    m: 1000,
    in: MM_PER_INCH,
    inch: MM_PER_INCH,
    inches: MM_PER_INCH,
    '"': MM_PER_INCH,
    px: MM_PER_INCH / dpi,
  };
  const typed = evaluate(text, units, mmPer(unit, dpi));
  const relative = current !== undefined && (/^\s*\+/.test(text) || (!signed && /^\s*[-−–]/.test(text)));
  const mm = relative ? current + typed : typed;
  if (!signed && mm <= 0 && (min === undefined || min > mm)) {
    throw new QuantityError('A size has to be greater than zero.');
  }
  if (min !== undefined && mm < min) throw new QuantityError(`The minimum is ${formatLength(min, unit, dpi)}.`);
  if (max !== undefined && mm > max) throw new QuantityError(`The maximum is ${formatLength(max, unit, dpi)}.`);
  return mm;
}
