import { type LengthUnit, mmPer } from './length.ts';

/** The division of a rule: `minor` mm between ticks, every `every`th of them long and numbered. */
export interface RuleDivision {
  readonly minor: number;
  readonly every: number;
}

/** Ticks closer than this many pixels run together. */
const CLOSEST_TICKS = 6;
/** Tick distances that people can read off, in their unit, and how many make a long one. */
const METRIC: readonly (readonly [number, number])[] = [
  [0.1, 10],
  [0.5, 10],
  [1, 10],
  [5, 10],
  [10, 10],
  [50, 10],
  [100, 10],
  [500, 10],
  [1000, 10],
];
const INCHES: readonly (readonly [number, number])[] = [
  [1 / 32, 8],
  [1 / 16, 16],
  [1 / 8, 8],
  [1 / 4, 4],
  [1 / 2, 6],
  [1, 12],
  [6, 6],
  [12, 10],
  [36, 10],
];

/** The finest division of a rule that can still be read at a scale in pixels per mm. */
export function ruleDivision(scale: number, unit: LengthUnit): RuleDivision {
  const steps = unit === 'in' ? INCHES : METRIC;
  const per = unit === 'in' ? mmPer('in') : 1;
  const [step, every] =
    steps.find(([size]) => size * per * scale >= CLOSEST_TICKS) ?? (steps.at(-1) as readonly [number, number]);
  return { minor: step * per, every };
}
