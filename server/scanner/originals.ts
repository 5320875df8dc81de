import { readFileSync } from 'node:fs';

/** A drawing on paper that lies by the scanner. */
export interface Original {
  readonly id: string;
  readonly name: string;
  /** How askew it is laid on the glass, degrees clockwise. */
  readonly tilt: number;
  /** The colour of its paper, 0 to 255. */
  readonly paper: readonly [number, number, number];
  /** Where the lamp is brightest, as shares of the glass, and how much darker it is at the far corner. */
  readonly lamp: { readonly x: number; readonly y: number; readonly falls: number };
  /** Dust on the glass. */
  readonly specks: number;
  readonly seed: number;
  /** Its paper is creased: the feeder jams on it the first time. */
  readonly creased: boolean;
}

/** All are A4. */
export const GLASS_MM = { width: 210, height: 297 } as const;

export const ORIGINALS: readonly Original[] = [
  {
    id: 'ink-studies',
    name: 'Ink studies',
    tilt: 1.7,
    paper: [243, 234, 213],
    lamp: { x: 0.3, y: 0.25, falls: 0.16 },
    specks: 90,
    seed: 11,
    creased: false,
  },
  {
    id: 'lino-proofs',
    name: 'Lino proofs',
    tilt: -2.3,
    paper: [238, 236, 228],
    lamp: { x: 0.65, y: 0.4, falls: 0.12 },
    specks: 60,
    seed: 23,
    creased: false,
  },
  {
    id: 'brush-marks',
    name: 'Brush marks',
    tilt: 0.9,
    paper: [240, 229, 216],
    lamp: { x: 0.5, y: 0.1, falls: 0.2 },
    specks: 120,
    seed: 37,
    creased: true,
  },
];

/** What is drawn on it: an SVG of the sheet, in mm. */
export function drawnOn({ id }: Original): string {
  return readFileSync(new URL(`../../demo/sheets/${id}.svg`, import.meta.url), 'utf8');
}
