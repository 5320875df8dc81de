import type { StoredMotif } from '../../contract/index.ts';
import type { Design, SwatchVersion } from '../../core/document/index.ts';

/** A pack that was read: all of it is as it should be, and its files are kept. */
export interface OpenedPack {
  readonly motifs: readonly StoredMotif[];
  readonly designs: readonly Design[];
  readonly swatches: readonly {
    readonly id: string;
    readonly name: string;
    readonly book: string;
    readonly tags: readonly string[];
    readonly notes: string;
    readonly versions: readonly SwatchVersion[];
  }[];
}
