import type { DesignMotif } from '../../contract/index.ts';
import { type Placement, shapeMatrix } from '../../core/document/index.ts';
import {
  drawnBy,
  type DrawingSymmetry,
  drawnStroke,
  filledArea,
  instancesIn,
  movedStroke,
  type PenPoint,
  scaledBrush,
  strokesBox,
  strokesAt,
} from '../../core/draw/index.ts';
import {
  boxAround,
  compose,
  cornersOfBox,
  IDENTITY,
  invert,
  type Point,
  transform,
  translationMatrix,
} from '../../core/geometry/index.ts';
import {
  type Brush,
  MOST_DRAWING_LETTERS,
  MOST_STROKES,
  type Stroke,
  type VineRecipe,
} from '../../core/recipe/index.ts';
import { Cell } from '../ui/store.ts';
import type { DrawingHost } from './drawingHost.ts';
import { finishDrawing, type Gathering, type MotifMaker } from './finishDrawing.ts';
import { forgetDrawing, keepBrush, keepDrawing, keptBrush, keptDrawing, type KeptDrawing } from './keptDrawing.ts';
import { PathPen } from './pathPen.ts';
import { ShadeHand } from './shadeHand.ts';
import { Steps } from './steps.ts';
import { TEXTS } from './texts.ts';
import { VineHand } from './vineHand.ts';

/** What the hand does on the cloth. */
export type DrawTool =
  'brush' | 'pen' | 'fill' | 'shade' | 'rubber' | 'remove' | 'points' | 'hide' | 'vine' | 'scatter';

/** How far the outline of a filled area may be simplified, mm; it lies under lines. */
const AREA_OFF = 0.05;

/** A stroke made anew with another brush; paths stay even. */
const redrawn = (stroke: Stroke, brush: Brush): Stroke =>
  stroke.deed === 'path'
    ? { ...stroke, ink: brush.ink, opacity: brush.opacity, fill: brush.fill, width: brush.width }
    : { ...stroke, ...brush };

/** A stroke under way: where the pen was, mm of the plane, and where it is expected next. */
export interface PenTrack {
  readonly points: readonly PenPoint[];
  readonly predicted: readonly PenPoint[];
  readonly deed: Stroke['deed'];
}

/** A drawing as it is, or was before. */
export type Drawn = KeptDrawing;

const NOTHING: Drawn = { strokes: [], frame: IDENTITY, continued: undefined };

/** A drawing that has become a motif, and the placements that show it. */
interface Leaving {
  readonly drawn: Drawn;
  readonly placements: readonly string[];
}

/**
 * Drawing by hand on the cloth of one editor: strokes until they are done, when they become a motif and are placed. They are kept in
 * the browser from one stroke to the next, so that nothing is lost where the window is left.
 */
export class Drawing {
  readonly tool = new Cell<DrawTool>('brush');
  readonly brush = new Cell<Brush>(keptBrush());
  readonly symmetry = new Cell<DrawingSymmetry>({ kind: 'none' });
  readonly gathering = new Cell<Gathering>('all');
  /** Seconds without a stroke after which it is done by itself; 0 for never. */
  readonly pause = new Cell(0);
  readonly drawn = new Cell<Drawn>(NOTHING);
  readonly pen = new Cell<PenTrack | undefined>(undefined);
  /** Seen until the cloth has been painted with it. */
  readonly leaving = new Cell<Leaving | undefined>(undefined);
  /** The placement that shows what was drawn last. */
  readonly last = new Cell<string | undefined>(undefined);
  /** Whether it is becoming a motif right now. */
  readonly making = new Cell(false);
  readonly path = new PathPen(
    () => this.brush.getState(),
    (stroke) => this.#addOnPlane(stroke),
  );
  readonly vines = new VineHand(this);
  readonly shades = new ShadeHand(this);
  readonly #steps = new Steps<Drawn>();
  readonly steps = this.#steps.counts;

  constructor(readonly editor: DrawingHost) {
    const kept = editor.inside ? undefined : keptDrawing(editor.design.id);
    if (kept) this.drawn.set(kept);
    this.brush.subscribe(() => keepBrush(this.brush.getState()));
  }

  get isEmpty(): boolean {
    const { strokes, vine } = this.drawn.getState();
    return strokes.length === 0 && !vine;
  }

  /** What lies on the cloth and is being drawn on, and so is not to be painted there. */
  get hidden(): string | undefined {
    return this.drawn.getState().continued?.placement;
  }

  changeBrush(part: Partial<Brush>): void {
    this.brush.set({ ...this.brush.getState(), ...part });
  }

  /** Every stroke drawn so far is made anew with the brush as it is now. */
  redrawWithBrush(): void {
    const { strokes, frame } = this.drawn.getState();
    const brush = scaledBrush(this.brush.getState(), invert(frame) ?? IDENTITY);
    this.setStrokes(strokes.map((stroke) => (stroke.deed === 'rubber' ? stroke : redrawn(stroke, brush))));
  }

  /** Takes a stroke of the pen, with all that is drawn along with it. */
  add({ points, deed }: Pick<PenTrack, 'points' | 'deed'>): void {
    if (points.length === 0) return;
    const seed = 1 + (this.drawn.getState().strokes.length % 9999);
    this.#addOnPlane(drawnStroke(this.brush.getState(), points, seed, deed));
  }

  /** Adds a stroke of the plane, with all that is drawn along with it. */
  #addOnPlane(stroke: Stroke): void {
    const { strokes, frame } = this.drawn.getState();
    const back = invert(frame);
    if (!back) return;
    const copies = drawnBy(this.symmetry.getState()).map((matrix) => movedStroke(stroke, compose(back, matrix)));
    const added = stroke.deed === 'rubber' ? copies.flatMap((copy) => this.#everywhere(copy)) : copies;
    const next = [...strokes, ...added];
    const letters = next.reduce((sum, one) => sum + one.points.length, 0);
    if (next.length > MOST_STROKES || letters > MOST_DRAWING_LETTERS) this.editor.refusal.set(TEXTS.theDrawingIsFull);
    else if (added.length > 0) this.setStrokes(next);
  }

  /** Fills an area, by its outlines on the plane: above all that was filled before, and below every line that it may touch. */
  fill(loops: readonly (readonly Point[])[]): void {
    const { strokes, frame } = this.drawn.getState();
    const back = invert(frame);
    if (!back) return;
    const area = movedStroke(filledArea(this.brush.getState(), loops, AREA_OFF), back);
    const above = Math.max(
      strokes.findLastIndex(({ deed }) => deed === 'rubber'),
      strokes.findLastIndex(({ deed }) => deed === 'area'),
    );
    if (area.points !== '') this.setStrokes([...strokes.slice(0, above + 1), area, ...strokes.slice(above + 1)]);
  }

  /** Changes the vine, as one step. */
  setVine(vine: VineRecipe): void {
    this.#steps.push(this.drawn.getState());
    this.vines.draft.set(undefined);
    this.#show({ ...this.drawn.getState(), vine: this.vines.refitted(vine) });
  }

  /** Takes whole strokes away that lie under a point of the plane, in any of their instances. @returns whether there were any */
  removeAt(at: Point, reach: number): boolean {
    const { strokes, frame } = this.drawn.getState();
    const touched = new Set([...strokesAt(this.editor.lattice, strokes, frame, at, reach)].map(({ stroke }) => stroke));
    if (touched.size > 0) this.setStrokes(strokes.filter((stroke) => !touched.has(stroke)));
    return touched.size > 0;
  }

  /** A point of the path under way, or else a step of the drawing. @returns whether there was one to undo */
  undo(): boolean {
    return this.path.undo() || this.#goTo(this.#steps.undo(this.drawn.getState()));
  }

  redo(): boolean {
    return this.#goTo(this.#steps.redo(this.drawn.getState()));
  }

  /** Lets go of all that is drawn; undone like any other step. */
  discard(): void {
    this.#steps.push(this.drawn.getState());
    this.#show(NOTHING);
  }

  /** The window is left while the pen draws: what it drew so far counts. */
  keepPen(): void {
    const pen = this.pen.getState();
    this.pen.set(undefined);
    if (pen) this.add(pen);
  }

  /** Opens a hand-drawn motif where it lies, so that the drawing of it goes on. @returns whether it is one */
  goOn(placement: Placement, motif: DesignMotif): boolean {
    const { recipe } = motif;
    if ((recipe?.kind !== 'drawn' && recipe?.kind !== 'vine') || !this.isEmpty) return false;
    const frame = compose(translationMatrix(placement.x, placement.y), shapeMatrix(placement, motif));
    const isVine = recipe.kind === 'vine';
    this.#begin({
      strokes: isVine ? [] : recipe.strokes,
      vine: isVine ? recipe : undefined,
      frame,
      continued: { placement: placement.id, motif: motif.id, name: motif.name },
    });
    this.tool.set(isVine ? 'vine' : 'brush');
    this.editor.select([]);
    return true;
  }

  /** Makes the strokes a motif, or several, and lays them where they were drawn; nothing is lost where that fails. @throws Error */
  async finish(maker: MotifMaker): Promise<void> {
    this.path.end();
    const drawn = this.drawn.getState();
    if (this.making.getState() || this.pen.getState() || this.isEmpty) return;
    this.making.set(true);
    try {
      const placements = await finishDrawing(this.editor, drawn, this.gathering.getState(), maker);
      this.leaving.set({ drawn, placements });
      this.last.set(placements.at(-1));
      // What the hand drew meanwhile is the next drawing.
      const strokes = this.drawn.getState().strokes.filter((stroke) => !drawn.strokes.includes(stroke));
      this.#begin(strokes.length > 0 ? { strokes, frame: drawn.frame, continued: undefined } : NOTHING);
    } finally {
      this.making.set(false);
    }
  }

  /** A stroke at each of its instances that may meet the drawing itself; of a rubber each takes something away. */
  #everywhere(stroke: Stroke): Stroke[] {
    const { strokes, frame } = this.drawn.getState();
    const box = strokesBox(strokes);
    const own = strokesBox([{ ...stroke, deed: 'line' }]);
    const back = invert(frame);
    if (!box || !own || !back) return [];
    const window = boxAround(cornersOfBox(box).map((corner) => transform(frame, corner)));
    return instancesIn(this.editor.lattice, frame, own, window).map((matrix) =>
      movedStroke(stroke, compose(back, matrix)),
    );
  }

  #begin(drawn: Drawn): void {
    this.#steps.clear();
    this.vines.knot.set(undefined);
    this.shades.chosen.set(undefined);
    this.#show(drawn);
  }

  /** Changes the strokes, as one step. */
  setStrokes(strokes: readonly Stroke[]): void {
    this.#steps.push(this.drawn.getState());
    this.#show({ ...this.drawn.getState(), strokes });
  }

  #show(drawn: Drawn): void {
    this.drawn.set(drawn);
    const { id } = this.editor.design;
    if (this.isEmpty) forgetDrawing(id);
    else if (!keepDrawing(id, drawn)) this.editor.refusal.set(TEXTS.thisBrowserKeepsNoDrawing);
  }

  #goTo(drawn: Drawn | undefined): boolean {
    if (!drawn) return false;
    this.#show(drawn);
    return true;
  }
}
