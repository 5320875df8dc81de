import type { Design } from '../../core/document/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import type { PlateFacts, PlateInk, SeparationOrder } from '../../core/separate/index.ts';

/** Takes a design apart into plates, and writes them into one file. */
export interface PlatesTask {
  readonly kind: 'plates';
  readonly design: Design;
  readonly motifs: readonly Motif[];
  readonly blobs: string;
  readonly order: SeparationOrder;
  /** The name that is written on the plates. */
  readonly title: string;
  /** Where the file goes. */
  readonly file: string;
}

export interface PlatesOutcome {
  /** Pixels of the tile. */
  readonly width: number;
  readonly height: number;
  readonly inks: readonly PlateInk[];
  readonly facts: PlateFacts;
}
