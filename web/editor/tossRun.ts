import type { Layer, Command } from '../../core/document/index.ts';
import type { DesignMotif } from '../../contract/index.ts';
import { nanoid } from 'nanoid';
import type { TossRecipe } from '../../core/recipe/index.ts';
import { applyToss, tossedIdsOf, type TossedMotif, tossedPlacements, type TossResult } from '../../core/toss/index.ts';
import type { Session } from './session.ts';
import { Cell } from '../ui/store.ts';
import { TossClient, type Running } from './tossClient.ts';
import { TEXTS } from './texts.ts';
import { messageOf } from '../../core/problem/index.ts';

const NEW: TossRecipe = { entries: [], directions: { kind: 'all' }, flipped: true, gap: 4, ground: 0.4, seed: 1 };

/** What a toss needs of the editor. */
export interface TossHost {
  readonly session: Session;
  readonly motifs: Cell<readonly DesignMotif[]>;
  readonly motifMap: ReadonlyMap<string, DesignMotif>;
  readonly refusal: Cell<string | undefined>;
  /** The layer that new motifs go into. */
  readonly layer: Layer | undefined;
  select(ids: readonly string[]): void;
  commit(label: string, command: Command): void;
}

/**
 * The toss of one editor: the recipe as far as it is written, and a toss under way. It goes on, and the recipe stays, while other
 * parts of the job are looked at.
 */
export class Tossing {
  readonly tosser = new TossClient();
  /** Changed since the last toss; undefined where it was not. */
  readonly edited = new Cell<TossRecipe | undefined>(undefined);
  readonly running = new Cell<Running<TossResult> | undefined>(undefined);
  /** What the last toss came to, or the one under way so far. */
  readonly last = new Cell<TossResult | undefined>(undefined);
  readonly problem = new Cell<string | undefined>(undefined);

  constructor(readonly editor: TossHost) {}

  get recipe(): TossRecipe {
    return this.edited.getState() ?? this.editor.session.state.committed.toss?.recipe ?? NEW;
  }

  change(part: Partial<TossRecipe>): void {
    this.edited.set({ ...this.recipe, ...part });
  }

  /** Tosses what the recipe says, seen on the cloth as it goes, and lays it as one step. @param afresh or from what lies there */
  async run(recipe: TossRecipe, afresh: boolean): Promise<void> {
    const { editor, problem, last } = this;
    const { session, layer } = editor;
    if (this.running.getState()) return;
    if (!layer) {
      editor.refusal.set(TEXTS.everyLayerIsHiddenOrLocked);
      return;
    }
    this.edited.set(recipe);
    problem.set(undefined);
    editor.select([]);
    const start = session.state.committed;
    const gone = tossedIdsOf(start);
    const nonce = nanoid(6);
    const command = ({ placed }: TossResult) =>
      applyToss(
        start,
        editor.motifMap,
        recipe,
        tossedPlacements(placed, layer.id, (n) => `${nonce}-${n}`),
      );
    const isAsBefore = (): boolean => session.state.committed === start;
    const standing = { ...start, placements: start.placements.filter(({ id }) => !gone.has(id)) };
    const from = afresh
      ? []
      : start.placements
          .filter(({ id }) => gone.has(id))
          .map(({ motif, x, y, rotation, scale, flipped }): TossedMotif => ({ motif, x, y, rotation, scale, flipped }));
    const running = this.tosser.run(standing, editor.motifs.getState(), { kind: 'toss', recipe, from }, (tossed) => {
      last.set(tossed);
      if (isAsBefore()) session.preview(command(tossed));
    });
    this.running.set(running);
    try {
      const tossed = await running.done;
      last.set(tossed);
      // What was done meanwhile is not undone by a toss that knows nothing of it.
      if (!isAsBefore()) problem.set(TEXTS.theDesignChangedDuringThe);
      else {
        session.preview(undefined);
        if (tossed.placed.length === 0) problem.set(TEXTS.noMotifFitsAtThis);
        else {
          editor.commit(TEXTS.tossedCountMotifs(tossed.placed.length), command(tossed));
          this.edited.set(undefined);
        }
      }
    } catch (error) {
      if (isAsBefore()) session.preview(undefined);
      problem.set(messageOf(error));
    } finally {
      this.running.set(undefined);
    }
  }

  /** Ends whatever is under way; nothing more is laid. */
  close(): void {
    this.tosser.close();
  }
}
