import { nanoid } from 'nanoid';
import { withInks } from '../../core/document/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import { messageOf } from '../../core/problem/index.ts';
import { type Scatter, tossedPlacements } from '../../core/toss/index.ts';
import { Cell } from '../ui/store.ts';
import type { DrawingHost } from './drawingHost.ts';
import { TEXTS } from './texts.ts';

const NEW: Scatter = {
  motifs: [],
  spacing: 14,
  smallest: 0.5,
  largest: 1,
  rotation: 'any',
  gap: 2,
  overlapping: false,
  seed: 1,
};

/** Lays motifs along lines that are drawn on the cloth of one editor, off the page. */
export class ScatterBrush {
  readonly scatter = new Cell<Scatter>(NEW);

  constructor(readonly editor: DrawingHost) {}

  change(part: Partial<Scatter>): void {
    this.scatter.set({ ...this.scatter.getState(), ...part });
  }

  /** @param line mm of the plane */
  run(line: readonly Point[]): void {
    const { editor } = this;
    const { layer, refusal } = editor;
    const scatter = this.scatter.getState();
    if (scatter.motifs.length === 0) refusal.set(TEXTS.chooseMotifsToScatter);
    else if (!layer) refusal.set(TEXTS.everyLayerIsHiddenOr);
    else
      editor.tossing.tosser
        .run(editor.session.state.committed, editor.motifs.getState(), { kind: 'scatter', scatter, line })
        .done.then((laid) => {
          if (laid.length === 0) {
            refusal.set(TEXTS.nothingFitsAlongTheLine);
            return;
          }
          const nonce = nanoid(6);
          const { design } = editor;
          const placements = tossedPlacements(laid, layer.id, (n) => `${nonce}-${n}`);
          const used = [...new Set(laid.map(({ motif }) => motif))].flatMap((id) => editor.motif(id) ?? []);
          const first = design.placements.length;
          const insert = placements.map((placement, n) => ({ index: first + n, placement }));
          editor.commit(
            TEXTS.scatteredCountMotifs(laid.length),
            withInks(design, used, { type: 'insert', placements: insert }),
          );
          // The next line is not the same again.
          this.change({ seed: (scatter.seed % 9999) + 1 });
        })
        .catch((error: unknown) => refusal.set(messageOf(error)));
  }
}
