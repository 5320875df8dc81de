import type { PrintCloth } from '../../core/print/index.ts';

/** Has the simulated print house print a sample: a piece of it at true size, and the whole width of the cloth. */
export interface StrikeOffTask {
  readonly kind: 'strike-off';
  readonly file: string;
  /** What the file holds, mm. */
  readonly tile: { readonly width: number; readonly height: number };
  readonly cloth: PrintCloth;
  /** Where the pictures go. */
  readonly piece: string;
  readonly width: string;
}
