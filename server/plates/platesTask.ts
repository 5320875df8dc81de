import type { PlateFacts, PlateInk, SeparationOrder } from '../../core/separate/index.ts';
import type { PaintTask } from '../work/tasks.ts';

/** Takes a design apart into plates, and writes them into one file. */
export interface PlatesTask extends Pick<PaintTask, 'design' | 'motifs' | 'blobs' | 'title' | 'file'> {
  readonly kind: 'plates';
  readonly order: SeparationOrder;
}

export interface PlatesOutcome {
  /** Pixels of the tile. */
  readonly width: number;
  readonly height: number;
  readonly inks: readonly PlateInk[];
  readonly facts: PlateFacts;
}
