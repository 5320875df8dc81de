import type { DesignMotif } from '../../contract/index.ts';
import { type Placement, replaceMotif, shapeMatrix } from '../../core/document/index.ts';
import { instancesIn, maskAreas } from '../../core/draw/index.ts';
import {
  boxAround,
  compose,
  cornersOfBox,
  growBox,
  type Matrix,
  type Point,
  transform,
  translationMatrix,
} from '../../core/geometry/index.ts';
import { type Artwork, boxOfView, type View } from '../../core/motif/index.ts';
import { messageOf } from '../../core/problem/index.ts';
import {
  type MaskArea,
  type MaskedRecipe,
  MOST_AREA_LETTERS,
  MOST_MASK_AREAS,
  MOST_MASK_LETTERS,
  type UnmaskedRecipe,
  unmovedPoints,
} from '../../core/recipe/index.ts';
import { Cell } from '../ui/store.ts';
import type { DrawingHost } from './drawingHost.ts';
import type { MotifMaker } from './finishDrawing.ts';
import { forgetMask, keepMask, keptMask, type KeptMask } from './keptDrawing.ts';
import { Steps } from './steps.ts';
import { TEXTS } from './texts.ts';

/** How an area is marked on the cloth. */
export type AreaTool = 'lasso' | 'box' | 'ellipse' | 'brush';
/** What a mask changes: the motif wherever it lies, or the one placement, which gets a motif of its own. */
export type MaskScope = 'motif' | 'placement';

/** What hides a part, and over how much of the artwork's units its edge fades. */
type Mask = Pick<MaskedRecipe, 'areas' | 'softness'>;
const NOTHING: Mask = { areas: [], softness: 0 };

/** A motif of which a part is being hidden, at one of its placements. */
export interface OpenedMask {
  readonly placement: string;
  readonly motif: string;
  readonly name: string;
  /** Content address of the artwork in full, and the artwork. */
  readonly original: string;
  readonly artwork: Artwork;
  readonly before: UnmaskedRecipe | null;
  /** Whether a part of it was hidden before it was opened. */
  readonly isMasked: boolean;
  /** From the artwork's units to mm of the plane. */
  readonly frame: Matrix;
}

/** Parts of a motif, hidden where it lies without being lost. */
export class Masking {
  readonly opened = new Cell<OpenedMask | undefined>(undefined);
  readonly tool = new Cell<AreaTool>('lasso');
  readonly deed = new Cell<MaskArea['deed']>('hide');
  readonly scope = new Cell<MaskScope>('motif');
  readonly mask = new Cell<Mask>(NOTHING);
  /** The artwork as the mask leaves it; undefined where it hides everything. */
  readonly artwork = new Cell<Artwork | undefined>(undefined);
  readonly making = new Cell(false);
  readonly #steps = new Steps<Mask>();
  readonly steps = this.#steps.counts;

  constructor(readonly editor: DrawingHost) {}

  /** A mask of this design that was being made when its window was left. */
  get kept(): KeptMask | undefined {
    return keptMask(this.editor.design.id);
  }

  /** @param artwork in full */
  open(placement: Placement, motif: DesignMotif, artwork: Artwork): void {
    const { recipe } = motif;
    const masked = recipe?.kind === 'masked' ? recipe : undefined;
    this.#steps.clear();
    this.scope.set('motif');
    this.opened.set({
      placement: placement.id,
      motif: motif.id,
      name: motif.name,
      original: masked?.original ?? motif.artwork,
      artwork,
      before: recipe?.kind === 'masked' ? recipe.before : recipe,
      isMasked: masked !== undefined,
      frame: frameOf(placement, motif),
    });
    this.#show(masked ? { areas: masked.areas, softness: masked.softness } : NOTHING);
    this.editor.select([]);
  }

  /** Takes an area of the plane, in mm; what is kept alone is kept of the instance nearest to its middle. @returns whether the motif lies there */
  add(loops: readonly (readonly Point[])[]): boolean {
    const opened = this.opened.getState();
    const points = loops.flat();
    if (!opened || points.length < 3) return false;
    const deed = this.deed.getState();
    const { frame, artwork } = opened;
    const met = instancesIn(this.editor.lattice, frame, boxOfView(artwork.view), boxAround(points));
    const { left, top, right, bottom } = boxAround(points);
    const nearest = byDistance(met, artwork.view, { x: (left + right) / 2, y: (top + bottom) / 2 }).slice(0, 1);
    const areas = maskAreas(loops, deed, deed === 'keep' ? nearest : met);
    if (areas.length > 0) this.#change({ ...this.mask.getState(), areas: [...this.mask.getState().areas, ...areas] });
    return areas.length > 0;
  }

  /** The placements that the motif's own outline can be clipped to: those of which an instance meets it. */
  get met(): Placement[] {
    const opened = this.opened.getState();
    if (!opened) return [];
    const { lattice, design } = this.editor;
    const corners = cornersOfBox(boxOfView(opened.artwork.view));
    const own = boxAround(corners.map((corner) => transform(opened.frame, corner)));
    return design.placements.filter((placement) => {
      const motif = this.editor.motif(placement.motif);
      if (!motif || placement.id === opened.placement) return false;
      return instancesIn(lattice, frameOf(placement, motif), boxOfView(motif.view), own).length > 0;
    });
  }

  /**
   * Hides all that lies outside the outline of another motif, at its instance that is nearest.
   *
   * @param loops the outline, in that motif's own units
   */
  clipTo(placement: Placement, motif: DesignMotif, loops: readonly (readonly Point[])[]): boolean {
    const opened = this.opened.getState();
    if (!opened) return false;
    const { lattice, design } = this.editor;
    const { repeat } = design;
    const middle = middleOf(opened.frame, opened.artwork.view);
    const about = growBox(boxAround([middle]), Math.hypot(repeat.width, repeat.height));
    const near = instancesIn(lattice, frameOf(placement, motif), boxOfView(motif.view), about);
    const [matrix] = byDistance(near, motif.view, middle);
    if (!matrix) return false;
    this.deed.set('keep');
    return this.add(loops.map((loop) => loop.map((point) => transform(matrix, point))));
  }

  /** @param softness in the artwork's units */
  soften(softness: number): void {
    this.#change({ ...this.mask.getState(), softness });
  }

  /** Takes all areas away; undone like any other step. */
  clear(): void {
    if (this.mask.getState().areas.length > 0) this.#change(NOTHING);
  }

  undo(): boolean {
    return this.#goTo(this.#steps.undo(this.mask.getState()));
  }

  redo(): boolean {
    return this.#goTo(this.#steps.redo(this.mask.getState()));
  }

  close(): void {
    const opened = this.opened.getState();
    this.opened.set(undefined);
    // As it was before it was opened.
    if (opened) this.editor.select([opened.placement]);
    this.#steps.clear();
    this.#show(NOTHING);
  }

  /** Gives the motif its mask, or the placement a motif of its own that has it; without areas all is shown again. @throws Error, and nothing is lost */
  async finish(maker: MotifMaker): Promise<void> {
    const opened = this.opened.getState();
    if (!opened || this.making.getState()) return;
    this.making.set(true);
    try {
      const recipe = recipeOf(opened, this.mask.getState());
      if (this.scope.getState() === 'placement') await this.#part(opened, recipe, maker);
      else await maker.remake(opened.motif, recipe);
      this.close();
    } finally {
      this.making.set(false);
    }
  }

  /** Gives the one placement a motif of its own. */
  async #part(opened: OpenedMask, recipe: MaskedRecipe | UnmaskedRecipe, maker: MotifMaker): Promise<void> {
    const { editor } = this;
    const made = { ...(await maker.make(TEXTS.partOf(opened.name), recipe)), deleted: false };
    editor.learnPicked(made);
    const motifs = new Map(editor.motifs.getState().map((motif) => [motif.id, motif]));
    const command = replaceMotif(editor.design, [opened.placement], motifs, made);
    editor.commit(TEXTS.hidAPartOf(opened.name), command, maker.drawerEffect(made.id));
  }

  #change(mask: Mask): void {
    const letters = mask.areas.map(({ path }) => path.length);
    const all = letters.reduce((sum, count) => sum + count, 0);
    if (letters.length > MOST_MASK_AREAS || all > MOST_MASK_LETTERS || Math.max(...letters) > MOST_AREA_LETTERS) {
      this.editor.refusal.set(TEXTS.theMaskIsFull);
      return;
    }
    this.#steps.push(this.mask.getState());
    this.#show(mask);
  }

  #show(mask: Mask): void {
    this.mask.set(mask);
    this.#keep(mask);
    const { artwork } = this.opened.getState() ?? {};
    if (!artwork || mask.areas.length === 0) this.artwork.set(artwork);
    else
      this.#derive(artwork, mask).catch((error: unknown) => {
        if (this.mask.getState() !== mask) return;
        this.artwork.set(undefined);
        this.editor.refusal.set(error instanceof RangeError ? TEXTS.allIsHidden : messageOf(error));
      });
  }

  /** The engine of paths is fetched when it is needed first. */
  async #derive(artwork: Artwork, mask: Mask): Promise<void> {
    const { maskedArtwork } = await import('../../core/mask/index.ts');
    if (this.mask.getState() === mask) this.artwork.set(maskedArtwork(artwork, mask));
  }

  /** A mask outlasts the window. */
  #keep(mask: Mask): void {
    const { design, refusal } = this.editor;
    const opened = this.opened.getState();
    const recipe = opened && recipeOf(opened, mask);
    if (!opened) forgetMask(design.id);
    else if (recipe?.kind === 'masked' && this.#steps.counts.getState().past > 0) {
      const { placement, motif } = opened;
      if (!keepMask(design.id, { placement, motif, recipe })) refusal.set(TEXTS.thisBrowserKeepsNoDrawing);
    }
  }

  #goTo(mask: Mask | undefined): boolean {
    if (!mask) return false;
    this.#show(mask);
    return true;
  }
}

/** The motif with its mask; without areas as it was before, or with its points as they are where it came from a file. */
function recipeOf({ original, before }: OpenedMask, { areas, softness }: Mask): MaskedRecipe | UnmaskedRecipe {
  if (areas.length === 0) return before ?? unmovedPoints(original);
  return { kind: 'masked', original, areas: [...areas], softness, before };
}

/** From a motif's units to where a placement shows it. */
const frameOf = (placement: Placement, motif: DesignMotif): Matrix =>
  compose(translationMatrix(placement.x, placement.y), shapeMatrix(placement, motif));

const middleOf = (matrix: Matrix, { x, y, width, height }: View): Point =>
  transform(matrix, { x: x + width / 2, y: y + height / 2 });

/** Instances by how far the middle of what they show is from a place, the nearest first. */
function byDistance(instances: readonly Matrix[], view: View, from: Point): Matrix[] {
  const away = (matrix: Matrix): number => {
    const { x, y } = middleOf(matrix, view);
    return Math.hypot(x - from.x, y - from.y);
  };
  return [...instances].sort((one, other) => away(one) - away(other));
}
