import type { PathText } from '../motif/index.ts';

/** One number that a figure is made by. */
export interface Measure {
  readonly key: string;
  readonly name: string;
  readonly unit: 'mm' | '°' | '%' | '';
  readonly least: number;
  readonly most: number;
  readonly usual: number;
  /** Only whole numbers make sense. */
  readonly whole?: boolean;
  /** Not varied when alternatives are offered. */
  readonly fixed?: boolean;
}

export type Values = Readonly<Record<string, number>>;

/** A shape made by numbers. */
export interface Figure {
  readonly name: string;
  readonly measures: readonly Measure[];
  /** Its outline about (0, 0), mm, y downwards; filled by the nonzero rule. */
  readonly outline: (values: Values) => PathText;
  /** Whether its foot usually thins out. */
  readonly fades?: boolean;
}

export const millimetres = (key: string, name: string, usual: number, least = 1, most = 400): Measure => ({
  key,
  name,
  unit: 'mm',
  usual,
  least,
  most,
});
export const share = (key: string, name: string, usual: number, least = 0, most = 100): Measure => ({
  key,
  name,
  unit: '%',
  usual,
  least,
  most,
});
/** How far each side bows out, of half its length. */
export const BULGE: Measure = share('bulge', 'Bulge', 0, -100, 100);

export const count = (key: string, name: string, usual: number, least: number, most: number): Measure => ({
  key,
  name,
  unit: '',
  usual,
  least,
  most,
  whole: true,
});
export const SEED: Measure = {
  key: 'seed',
  name: 'Seed',
  unit: '',
  usual: 1,
  least: 1,
  most: 9999,
  whole: true,
  fixed: true,
};

/** The figure's measures with what is usual where nothing is said, kept within what is possible. */
export function measured({ measures }: Figure, values: Values): Record<string, number> {
  return Object.fromEntries(
    measures.map(({ key, usual, least, most, whole }) => {
      const value = Math.min(most, Math.max(least, values[key] ?? usual));
      return [key, whole ? Math.round(value) : value];
    }),
  );
}
