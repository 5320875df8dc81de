import type { SeparationOrder } from '../../../../../core/separate/index.ts';

const DEPTH_NAMES: Readonly<Record<SeparationOrder['depth'], string>> = {
  flat: 'Flat',
  screened: 'Screened',
  grey: 'Grey',
};

const SHAPE_NAMES: Readonly<Record<SeparationOrder['shape'], string>> = { round: 'Round dots', line: 'Lines' };

/** All texts of this part of the interface, to be read, and translated, in one go. */
export const TEXTS = {
  title: 'Separations',
  label: 'Separations',
  note: 'One plate for each ink, printed from the top of the list to the bottom.',
  plates: 'Plates',
  tile: 'The tile, printed from its plates',
  showPlate: (name: string): string => `Show ${name}`,
  earlier: (name: string): string => `Print ${name} earlier`,
  later: (name: string): string => `Print ${name} later`,
  percent: (share: number): string => `${(100 * share).toFixed(1)} %`,
  total: (share: string, most: string): string =>
    `All plates together print ${share} of the tile, at most ${most} at one place.`,
  noGaps: 'The plates leave no gaps and do not print on each other.',
  trapped: 'The plates leave no gaps, and print on each other only in the trap.',
  gaps: (share: string): string => `The plates leave paper on ${share} of the tile where the design has none.`,
  overprints: (share: string): string => `Plates print on each other on ${share} of the tile, where colours blend.`,
  overLimit: (share: string): string => `More than the ink limit on ${share} of the tile.`,
  asFilm: 'As film, in black',
  separating: 'Separating …',
  notSeparated: (why: string): string => `The plates could not be made: ${why}. Nothing was changed.`,
  shades: 'Shades become',
  depthName: (depth: SeparationOrder['depth']): string => DEPTH_NAMES[depth],
  depthNotes: {
    flat: 'Each pixel belongs to one ink. For artwork without shades.',
    screened: 'Shades become dots or lines; flat areas stay solid. Shown here as shades.',
    grey: 'Shades stay grey, for whoever screens the plates.',
  } satisfies Readonly<Record<SeparationOrder['depth'], string>>,
  shape: 'Screen',
  shapeName: (shape: SeparationOrder['shape']): string => SHAPE_NAMES[shape],
  lpi: 'Screen ruling',
  angle: (name: string): string => `Angle of ${name}`,
  trap: 'Trap',
  inkLimit: 'Ink limit',
  dpi: 'Density',
  format: 'Format',
  exportPlates: 'Export plates',
  making: 'Making plates',
};
