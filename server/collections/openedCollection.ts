import type { StoredMotif } from '../../contract/index.ts';

/** A collection that was read: every motif of it is made, and its files are kept. */
export interface OpenedCollection {
  readonly name: string;
  /** Under the ids that they have in the file, in their recipes too; each after those that it is made of. */
  readonly motifs: readonly Omit<StoredMotif, 'collection'>[];
}
