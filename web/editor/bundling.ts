import { nanoid } from 'nanoid';
import type { DesignMotif, StoredMotif } from '../../contract/index.ts';
import { gatherInstances, middleOf, showCopies } from '../../core/arrange/index.ts';
import { partsAbout, replacePlacements } from '../../core/bundle/index.ts';
import { newPlacement, type Placement } from '../../core/document/index.ts';
import { type Point, UPRIGHT } from '../../core/geometry/index.ts';
import type { BundleRecipe, PartCombining } from '../../core/recipe/index.ts';
import { cutText } from '../../core/schema/index.ts';
import { Cell } from '../ui/store.ts';
import type { DrawingHost } from './drawingHost.ts';
import type { MotifMaker } from './finishDrawing.ts';
import type { Selection } from './selection.ts';
import type { SideEffect } from './session.ts';
import { TEXTS } from './texts.ts';

/** Makes motifs and copies of motifs; on the server, in the end. */
export interface BundleMaker extends Pick<MotifMaker, 'drawerEffect'> {
  make(name: string, collection: string, recipe: BundleRecipe): Promise<StoredMotif>;
  /** Copies in the order of what is copied. */
  copy(motifs: readonly { readonly id: string; readonly name: string }[]): Promise<readonly StoredMotif[]>;
}

/** What bundling needs of the editor. */
interface BundlingHost extends Pick<DrawingHost, 'design' | 'lattice' | 'motif' | 'learnPicked' | 'commit' | 'select'> {
  readonly open: Cell<boolean>;
  readonly motifMap: ReadonlyMap<string, DesignMotif>;
  readonly selection: Cell<Selection>;
  readonly selectedPlacements: readonly Placement[];
  placement(id: string): Placement | undefined;
}

/** So often a bundle is made again because what it is made of was changed while it was made. */
const MOST_TRIES = 3;

/**
 * Bundles motifs and makes them separate. Both wait for motifs to be made: they act on what was selected when they were asked for,
 * whatever is selected by then, are one step of the history, and leave nothing in the drawer where they come to nothing.
 */
export class Bundling {
  /** Placements that are being bundled or made separate. */
  readonly underWay = new Cell<ReadonlySet<string>>(new Set());
  readonly #editor: BundlingHost;

  constructor(editor: BundlingHost) {
    this.#editor = editor;
  }

  /** Makes the selected motifs one, where there are several, be it one shape. @throws Error, and nothing is changed */
  async bundle(maker: BundleMaker, combining?: PartCombining): Promise<void> {
    const editor = this.#editor;
    if (editor.selectedPlacements.length < 2) return;
    await this.#withSelected(async (ids) => {
      for (let n = 0; n < MOST_TRIES; n += 1) {
        const asked = ids.flatMap((id) => editor.placement(id) ?? []);
        if (asked.length < ids.length) break;
        const { name, recipe, middle, layer } = this.#bundleOf(asked, combining);
        const made = await maker.make(name, TEXTS.bundles, recipe);
        const effect = maker.drawerEffect(made.id);
        if (editor.open.getState() && ids.every((id, i) => editor.placement(id) === asked[i])) {
          const motif = { ...made, deleted: false };
          editor.learnPicked(motif);
          const placement = { ...newPlacement(nanoid(), motif, middle), layer };
          const isSelected = sameIds(ids, editor.selection.getState().ids);
          const command = replacePlacements(editor.design, ids, [placement]);
          if (editor.commit(TEXTS.bundled(ids.length, combining), command, effect)) {
            if (isSelected) editor.select([placement.id]);
            return;
          }
        }
        await effect.undo();
        if (!editor.open.getState()) break;
      }
      throw new Error(TEXTS.notBundled);
    });
  }

  /** Makes the selected motifs, in each motif's case, a motif of their own. @throws Error, and nothing is changed @returns the copies */
  async separate(maker: BundleMaker): Promise<readonly StoredMotif[]> {
    const editor = this.#editor;
    let separated: readonly StoredMotif[] = [];
    await this.#withSelected(async (ids) => {
      const motifs = [...new Set(ids.map((id) => editor.placement(id)?.motif ?? ''))].flatMap(
        (id) => editor.motif(id) ?? [],
      );
      const copies = await maker.copy(
        motifs.map(({ id, name }) => ({ id, name: TEXTS.nameSeparate(cutText(name, 109)) })),
      );
      const effect = all(copies.map(({ id }) => maker.drawerEffect(id)));
      const own = new Map(motifs.flatMap(({ id }, n) => (copies[n] ? [[id, copies[n].id] as const] : [])));
      for (const copy of copies) editor.learnPicked({ ...copy, deleted: false });
      const there = ids.filter((id) => editor.placement(id));
      const label = copies.length === 1 ? TEXTS.made(copies[0]?.name) : TEXTS.madeCountMotifsSeparate(copies.length);
      if (
        editor.open.getState() &&
        there.length > 0 &&
        editor.commit(label, showCopies(editor.design, there, own), effect)
      ) {
        separated = copies;
        return;
      }
      await effect.undo();
      throw new Error(TEXTS.notMadeSeparate);
    });
    return separated;
  }

  /** Works with what is selected, which nothing else does meanwhile; a second press means the same as the first. */
  async #withSelected(work: (ids: readonly string[]) => Promise<void>): Promise<void> {
    const ids = this.#editor.selectedPlacements.map(({ id }) => id);
    const busy = this.underWay.getState();
    if (ids.length === 0 || ids.some((id) => busy.has(id))) return;
    this.underWay.set(new Set([...busy, ...ids]));
    try {
      await work(ids);
    } finally {
      this.underWay.set(new Set([...this.underWay.getState()].filter((id) => !ids.includes(id))));
    }
  }

  #bundleOf(
    asked: readonly Placement[],
    combining: PartCombining | undefined,
  ): { name: string; recipe: BundleRecipe; middle: Point; layer: string } {
    const { lattice, motifMap } = this.#editor;
    const gathered = gatherInstances(lattice, asked);
    const middle = middleOf(gathered, motifMap);
    const names = [...new Set(gathered.map(({ motif }) => motifMap.get(motif)?.name ?? TEXTS.motif))];
    const name =
      names.length <= 3 ? names.join(', ') : TEXTS.listAndCountMore(names.slice(0, 2).join(', '), names.length - 2);
    return {
      name: cutText(name, 120),
      recipe: {
        kind: 'bundle',
        parts: partsAbout(gathered, { ...UPRIGHT, ...middle }),
        ...(combining && { combining }),
      },
      middle,
      layer: gathered[0]?.layer ?? '',
    };
  }
}

const all = (effects: readonly SideEffect[]): SideEffect => ({
  undo: () => Promise.all(effects.map((effect) => effect.undo())),
  redo: () => Promise.all(effects.map((effect) => effect.redo())),
});

const sameIds = (some: readonly string[], others: readonly string[]): boolean =>
  some.length === others.length && some.every((id) => others.includes(id));
