import type { PartCombining } from '../../../core/recipe/index.ts';

/** What can be done with bundles, and with motifs of which one is to be changed and not the others. */
export interface BundleActions {
  /** Makes the chosen motifs one: lying over each other, or one shape, or the lowest cut by the others. */
  bundle(combining?: PartCombining): void;
  /** Makes the chosen bundles what they are made of, without anything moving. */
  loosen(): void;
  /** Lays a bundle open to change its parts; the chosen one where none is named. */
  open(placement?: string): void;
  /** Makes the chosen motifs, in each motif's case, a motif of their own. */
  separate(): void;
}
