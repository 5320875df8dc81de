import { nanoid } from 'nanoid';
import { type Design, placeMotif, shapeMatrix } from '../../core/document/index.ts';
import { instancesIn } from '../../core/draw/index.ts';
import {
  boxAround,
  compose,
  cornersOfBox,
  invert,
  type Matrix,
  type Point,
  transform,
  translationMatrix,
} from '../../core/geometry/index.ts';
import { latticeTranslate } from '../../core/lattice/index.ts';
import { type Brush, MOST_PASSES, type VineRecipe } from '../../core/recipe/index.ts';
import {
  drawnVine,
  droppedVine,
  mirroredVine,
  movedVine,
  vineBox,
  type VineCrossing,
  vineCrossings,
  VineCurve,
} from '../../core/vine/index.ts';
import { Cell } from '../ui/store.ts';
import type { DrawingHost } from './drawingHost.ts';
import type { KeptDrawing } from './keptDrawing.ts';
import { inFrame, type PointKeys, stepped } from './pointKeys.ts';
import { TEXTS } from './texts.ts';

/** What a vine is drawn in. */
interface VineHost {
  readonly editor: Pick<DrawingHost, 'lattice' | 'design' | 'motif' | 'commit' | 'refusal'>;
  readonly brush: Cell<Brush>;
  readonly drawn: Cell<KeptDrawing>;
  /** Changes the vine, as one step. */
  setVine(vine: VineRecipe): void;
}

/** A crossing, and the name of the vine that crosses; undefined where it is the vine itself. */
export type NamedCrossing = VineCrossing & { readonly name: string | undefined };

/** Crossings that are nearer to each other along the vine than this share of it are the same; and how far one moves at once as it is bent. */
const [SAME, MOVED] = [1e-4, 0.06];
const apart = (a: number, b: number): number => Math.min(Math.abs(a - b), 1 - Math.abs(a - b));
const isNear = (a: number, b: number, by: number): boolean => apart(a, b) < by;

/** Draws and bends the vine of a drawing. */
export class VineHand implements PointKeys {
  /** The vine while it is being drawn or bent. */
  readonly draft = new Cell<VineRecipe | undefined>(undefined);
  /** The point that was touched last, by its number. */
  readonly knot = new Cell<number | undefined>(undefined);

  #known:
    | {
        readonly vine: VineRecipe;
        readonly design: Design;
        readonly frame: Matrix;
        readonly crossings: readonly NamedCrossing[];
      }
    | undefined;

  constructor(readonly host: VineHost) {}

  /** The vine as it is seen: as it is being bent, or as it is. */
  get vine(): VineRecipe | undefined {
    return this.draft.getState() ?? this.host.drawn.getState().vine;
  }

  /** Begins a vine along a line of the plane; one that leads nowhere is none. @returns whether there is a vine now */
  draw(line: readonly Point[], isDone: boolean): boolean {
    const { frame } = this.host.drawn.getState();
    const { ink, opacity, width } = this.host.brush.getState();
    const drawn = drawnVine(this.host.editor.lattice, line, width);
    const back = invert(frame);
    const vine: VineRecipe | undefined =
      drawn && back && movedVine({ kind: 'vine', ...drawn, ink, opacity, branches: [], leaves: [] }, back);
    this.draft.set(isDone ? undefined : vine);
    if (isDone && vine) this.host.setVine(vine);
    return vine !== undefined;
  }

  /** Begins a straight vine through the middle of the cell, to be bent. */
  beginStraight(): void {
    const { a, cell } = this.host.editor.lattice;
    const from = { x: 0, y: cell.height / 2 };
    this.draw([from, { x: a.x, y: from.y + a.y }], true);
  }

  /** What the vine's period would have to be for it to meet itself on the repeat as it is, in the vine's own mm; undefined where it does. */
  get missedPeriod(): Point | undefined {
    const { vine, frame } = this.host.drawn.getState();
    const back = invert(frame);
    if (!vine || !back) return undefined;
    const [a, b, c, d] = back;
    const period = transform([a, b, c, d, 0, 0], latticeTranslate(this.host.editor.lattice, vine.index));
    return Math.hypot(period.x - vine.period.x, period.y - vine.period.y) < 0.01 ? undefined : period;
  }

  /** Where the vine as it is seen is crossed by other vines of the cloth, and by itself. */
  get crossings(): readonly NamedCrossing[] {
    const { vine } = this;
    return vine ? this.#crossingsOf(vine) : [];
  }

  /** Whether the vine goes under what crosses it there. */
  isUnder({ at }: VineCrossing): boolean {
    return this.vine?.passes?.some((pass) => isNear(pass.at, at, SAME)) ?? false;
  }

  /** Has the vine go under what crosses it, or over it again. */
  swap(crossing: VineCrossing): void {
    const { vine } = this.host.drawn.getState();
    if (!vine) return;
    const others = (vine.passes ?? []).filter(({ at }) => !isNear(at, crossing.at, SAME));
    const { at, free } = crossing;
    if (this.isUnder(crossing)) this.host.setVine({ ...vine, passes: others });
    else if (others.length < MOST_PASSES) this.host.setVine({ ...vine, passes: [...others, { at, free }] });
    else this.host.editor.refusal.set(TEXTS.tooManyPasses(MOST_PASSES));
  }

  /** Shows the vine as it is being bent. */
  bend(vine: VineRecipe): void {
    this.draft.set(this.refitted(vine));
  }

  /** The vine with what it leaves free where it is crossed now; where it is crossed no more it leaves nothing. */
  refitted(vine: VineRecipe): VineRecipe {
    if (!vine.passes || vine.passes.length === 0) return vine;
    const crossings = this.#crossingsOf(vine);
    const passes = vine.passes.flatMap((pass) => {
      const near = crossings
        .filter(({ at }) => isNear(at, pass.at, MOVED))
        .sort((a, b) => apart(a.at, pass.at) - apart(b.at, pass.at))[0];
      return near ? [{ at: near.at, free: near.free }] : [];
    });
    return { ...vine, passes };
  }

  /** Looked for once for as long as nothing changes: the cloth is panned and zoomed meanwhile. */
  #crossingsOf(vine: VineRecipe): readonly NamedCrossing[] {
    const { design } = this.host.editor;
    const { frame } = this.host.drawn.getState();
    const known = this.#known;
    if (known?.vine === vine && known.design === design && known.frame === frame) return known.crossings;
    const crossings = this.#findCrossings(vine);
    this.#known = { vine, design, frame, crossings };
    return crossings;
  }

  #findCrossings(vine: VineRecipe): readonly NamedCrossing[] {
    const { lattice, design, motif: motifOf } = this.host.editor;
    const { frame, continued } = this.host.drawn.getState();
    const back = invert(frame);
    if (!back) return [];
    const box = vineBox(new VineCurve(vine));
    const window = boxAround(cornersOfBox(box).map((corner) => transform(frame, corner)));
    const seenFrom = (matrix: Matrix, line: VineRecipe): Matrix[] =>
      instancesIn(lattice, matrix, vineBox(new VineCurve(line)), window).map((seen) => compose(back, seen));
    const shown = new Set(design.layers.flatMap((layer) => (layer.shown ? [layer.id] : [])));
    const others = design.placements.flatMap((placement) => {
      const motif = motifOf.call(this.host.editor, placement.motif);
      if (motif?.recipe?.kind !== 'vine' || !shown.has(placement.layer) || placement.id === continued?.placement)
        return [];
      const matrix = compose(translationMatrix(placement.x, placement.y), shapeMatrix(placement, motif));
      return [{ name: motif.name, line: motif.recipe, seen: seenFrom(matrix, motif.recipe) }];
    });
    const all = [{ name: undefined, line: vine, seen: seenFrom(frame, vine) }, ...others];
    return vineCrossings(vine, all, vine.passGap ?? 0).map((crossing) => ({
      ...crossing,
      name: all[crossing.other]?.name,
    }));
  }

  /** Lays the vine that is gone on with once more: its mirror image, or itself half a repeat on; the two follow each other. */
  layAgain(how: 'mirrored' | 'dropped'): void {
    const { editor, drawn } = this.host;
    const { vine, frame, continued } = drawn.getState();
    const placement = editor.design.placements.find(({ id }) => id === continued?.placement);
    const motif = placement && editor.motif(placement.motif);
    if (!vine || !placement || !motif) return;
    const [a, b, c, d] = frame;
    const period = transform([a, b, c, d, 0, 0], vine.period);
    const again = how === 'mirrored' ? mirroredVine(placement, period) : droppedVine(placement, period);
    const command = placeMotif(editor.design, motif, { ...again, id: nanoid() }, placement.id);
    editor.commit(how === 'mirrored' ? TEXTS.laidItsMirrorImage(motif.name) : TEXTS.laidItAgain(motif.name), command);
  }

  selectNext(by: 1 | -1): readonly [number, number] {
    const count = this.vine?.knots.length ?? 0;
    const n = stepped(this.knot.getState(), by, count);
    this.knot.set(n);
    return [n + 1, count];
  }

  nudge(by: Point): boolean {
    const { vine, frame } = this.host.drawn.getState();
    const n = this.knot.getState();
    if (!vine || n === undefined) return false;
    const { x, y } = inFrame(frame, by);
    const knots = vine.knots.map((knot, m) => (m === n ? { ...knot, x: knot.x + x, y: knot.y + y } : knot));
    this.host.setVine({ ...vine, knots });
    return true;
  }

  removeSelected(): boolean {
    const { vine } = this.host.drawn.getState();
    const n = this.knot.getState();
    if (!vine || n === undefined || vine.knots.length < 2) return false;
    this.knot.set(undefined);
    this.host.setVine({ ...vine, knots: vine.knots.filter((_, m) => m !== n) });
    return true;
  }
}
