import { evaluate, QuantityError } from './evaluate.ts';

/** How a typed plain amount (an angle, a percentage, a count) is to be understood. */
export interface AmountReading {
  /** The sign that may stand behind the number, such as `°` or `%`. */
  readonly sign: string;
  readonly current?: number;
  readonly min?: number;
  readonly max?: number;
}

/**
 * Reads a typed amount with the same sums as a length; a leading `+` adds to the current value.
 *
 * @throws QuantityError with a sentence for the person
 */
export function parseAmount(text: string, { sign, current, min, max }: AmountReading): number {
  const typed = evaluate(text, sign ? { [sign]: 1 } : {}, 1);
  const value = current !== undefined && /^\s*\+/.test(text) ? current + typed : typed;
  if (min !== undefined && value < min) throw new QuantityError(`The minimum is ${min}${sign}.`);
  if (max !== undefined && value > max) throw new QuantityError(`The maximum is ${max}${sign}.`);
  return value;
}
