import type { DesignMotif } from '../../contract/index.ts';
import { Cell } from '../ui/store.ts';

/** Where motifs become known from, the design last: of two of one id its own counts. */
const MOTIF_SOURCES = ['drawer', 'picked', 'design'] as const;
export type MotifSource = (typeof MOTIF_SOURCES)[number];

/** The motifs that an editor knows: those the design names, and all of the drawer that were ever looked at. */
export class KnownMotifs {
  readonly list = new Cell<readonly DesignMotif[]>([]);
  readonly #sources = new Map<MotifSource, readonly DesignMotif[]>();
  /** As they were last known: what is shown of the drawer changes, what lies on the cloth or may come back to it does not. */
  readonly #ever = new Map<string, DesignMotif>();

  /** Takes what a source names in place of what it named before. Those that no source names any more stay as they were. */
  learn(source: MotifSource, motifs: readonly DesignMotif[]): void {
    this.#sources.set(source, motifs);
    for (const motif of motifs) this.#ever.set(motif.id, motif);
    const known = new Map(this.#ever);
    for (const from of MOTIF_SOURCES) for (const motif of this.#sources.get(from) ?? []) known.set(motif.id, motif);
    this.list.set([...known.values()]);
  }

  /** Makes one motif known, unless it is. */
  learnPicked(motif: DesignMotif): void {
    if (this.list.getState().some(({ id }) => id === motif.id)) return;
    this.learn('picked', [...(this.#sources.get('picked') ?? []), motif]);
  }
}
