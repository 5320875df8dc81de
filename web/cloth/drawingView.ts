import { inkResolver, type InkResolver } from '../../core/document/index.ts';
import { drawnBy, instancesIn, linePaint, linesOf, outlinesOf, strokePaint } from '../../core/draw/index.ts';
import { type Box, boxAround, IDENTITY, type Matrix, type Point } from '../../core/geometry/index.ts';
import type { Artwork } from '../../core/motif/index.ts';
import { setPaint } from '../../core/paint/index.ts';
import type { Stroke, VineRecipe } from '../../core/recipe/index.ts';
import type { Drawn, DrawTool } from '../editor/drawing.ts';
import type { Editor } from '../editor/editor.ts';
import type { ClothView } from './clothView.ts';
import { clear, closed, ring } from './drawingCanvas.ts';
import { drawLine, drawOpenPath } from './drawOpenPath.ts';
import { drawOpenedMotif, drawPoints } from './drawPoints.ts';
import { drawVine, type VineSetting } from './drawVine.ts';
import { PenPieces } from './penPieces.ts';
import { remembered } from './remembered.ts';
import { placeContext, type Viewport, windowMm } from './viewport.ts';

/** Where a stroke is filled, and how far it reaches, in its own mm. */
interface StrokeShape {
  readonly line: Path2D;
  readonly area: Path2D | undefined;
  readonly box: Box;
}

/** A motif that is being changed, and from its units to the plane. */
interface OpenedArtwork {
  readonly artwork: Artwork;
  /** What of it is hidden, seen below it. */
  readonly hidden?: Artwork | undefined;
  readonly frame: Matrix;
}

/** How much is seen of what is hidden while it can be shown again. */
const FAINT = 0.2;

/** Tools that are as wide as the brush. */
const RINGED: ReadonlySet<DrawTool> = new Set(['brush', 'rubber']);
/**
 * What is being drawn by hand, seen over the cloth in all its instances: strokes that are there on one canvas, the one under way and
 * the ring about the pointer on another, which alone is drawn anew while the pen moves.
 */
export class DrawingView {
  readonly #settled: CanvasRenderingContext2D;
  readonly #live: CanvasRenderingContext2D;
  readonly #leave: readonly (() => void)[];
  readonly #shapes = new WeakMap<Stroke, StrokeShape>();
  /** What the settled canvas shows, to add to it where a stroke is added. */
  #shown:
    | {
        readonly drawn: Drawn;
        readonly viewport: Viewport;
        readonly resolve: InkResolver;
        readonly vine: VineRecipe | undefined;
        /** Of how many kinds of its leaves the artwork was at hand. */
        readonly leaves: number;
        readonly opened: OpenedArtwork | undefined;
      }
    | undefined;
  readonly #faint = remembered((artwork: Artwork): Artwork => ({
    ...artwork,
    nodes: [{ kind: 'group', matrix: IDENTITY, opacity: FAINT, children: artwork.nodes }],
  }));
  readonly #pieces = new PenPieces();
  #pointer: Point | undefined;
  #frame: number | undefined;

  constructor(
    settled: HTMLCanvasElement,
    live: HTMLCanvasElement,
    readonly editor: Editor,
    readonly view: ClothView,
  ) {
    const [under, over] = [settled.getContext('2d'), live.getContext('2d')];
    if (!under || !over) throw new Error('this browser gives no 2D canvas');
    this.#settled = under;
    this.#live = over;
    const { drawing, points, masking } = editor;
    const update = (): void => this.#update();
    this.#leave = [
      view.subscribe(update),
      drawing.drawn.subscribe(update),
      drawing.pen.subscribe(update),
      drawing.path.open.subscribe(update),
      drawing.brush.subscribe(update),
      drawing.leaving.subscribe(update),
      drawing.vines.draft.subscribe(update),
      drawing.shades.draft.subscribe(update),
      drawing.tool.subscribe(update),
      points.opened.subscribe(update),
      points.lines.subscribe(update),
      points.selected.subscribe(update),
      masking.opened.subscribe(update),
      masking.artwork.subscribe(update),
      masking.tool.subscribe(update),
      masking.deed.subscribe(update),
      editor.part.subscribe(update),
      editor.colourwayId.subscribe(update),
      editor.session.subscribe(update),
    ];
    update();
  }

  close(): void {
    for (const leave of this.#leave) leave();
    if (this.#frame !== undefined) cancelAnimationFrame(this.#frame);
  }

  /** Shows the ring of the brush about a pointer that hovers, CSS pixels; undefined where it is gone. */
  hover(at: Point | undefined): void {
    this.#pointer = at;
    this.#update();
  }

  /** Draws what is to be seen now. Called once a frame; public for the benchmarks. */
  drawFrame(): void {
    const viewport = this.view.getViewport();
    const resolve = inkResolver(this.editor.design, this.editor.colourwayId.getState());
    this.#drawSettled(viewport, resolve);
    this.#drawLive(viewport, resolve);
  }

  #update(): void {
    const { canvas } = this.#settled;
    // Told to whoever waits for the cloth to show what is drawn.
    canvas.setAttribute('aria-busy', 'true');
    this.#frame ??= requestAnimationFrame(() => {
      this.#frame = undefined;
      this.drawFrame();
      canvas.setAttribute('aria-busy', String(this.#frame !== undefined));
    });
  }

  #drawSettled(viewport: Viewport, resolve: InkResolver): void {
    const drawn = this.#stillSeen();
    const shown = this.#shown;
    const context = this.#settled;
    const isSame = shown?.viewport === viewport && sameColours(shown.resolve, resolve, drawn.strokes);
    // A vine is bent on this canvas: what lies below it and what is drawn over it is little.
    const vine = this.#vineOf(drawn);
    const leaves = vine?.leaves.filter(({ motif }) => this.view.drawn.has(motif)).length ?? 0;
    const opened = this.#opened();
    const isUntouched =
      isSame &&
      shown.vine === vine &&
      shown.leaves === leaves &&
      shown.opened?.artwork === opened?.artwork &&
      shown.opened?.hidden === opened?.hidden;
    if (isUntouched && shown.drawn === drawn) return;
    const before = isUntouched && shown.drawn.frame === drawn.frame ? shown.drawn.strokes : undefined;
    const added = before?.every((stroke, n) => stroke === drawn.strokes[n]) ? before.length : 0;
    if (added === 0) {
      clear(context, viewport);
      for (const artwork of opened ? [opened.hidden, opened.artwork] : [])
        if (artwork && opened) drawOpenedMotif(context, artwork, opened.frame, this.#setting(viewport, resolve));
      if (vine) drawVine(context, vine, { ...this.#setting(viewport, resolve), frame: drawn.frame });
    }
    for (const stroke of drawn.strokes.slice(added)) this.#drawStroke(context, stroke, drawn.frame, viewport, resolve);
    this.#shown = { drawn, viewport, resolve, vine, leaves, opened };
    context.canvas.dataset['strokes'] = String(this.editor.drawing.drawn.getState().strokes.length);
  }

  /** The motif whose points or whose mask is open, as it is now. */
  #opened(): OpenedArtwork | undefined {
    const { points, masking } = this.editor;
    const [openPoints, openMask] = [points.opened.getState(), masking.opened.getState()];
    if (openPoints) return points.artwork && { artwork: points.artwork, frame: openPoints.frame };
    const artwork = masking.artwork.getState();
    if (!openMask || !artwork) return undefined;
    // What could be shown again is seen faintly.
    const hidden = masking.deed.getState() === 'show' ? this.#faint(openMask.artwork) : undefined;
    return { artwork, hidden, frame: openMask.frame };
  }

  #vineOf(drawn: Drawn): VineRecipe | undefined {
    const { drawing } = this.editor;
    return drawn === drawing.drawn.getState() ? drawing.vines.vine : drawn.vine;
  }

  #setting(viewport: Viewport, resolve: InkResolver): Omit<VineSetting, 'frame'> {
    const { view } = this;
    for (const { motif } of this.editor.drawing.vines.vine?.leaves ?? []) {
      const leaf = this.editor.motif(motif);
      if (leaf) view.prefetch(leaf);
    }
    return { viewport, resolve, lattice: this.editor.lattice, drawn: view.drawn, backend: view.backend };
  }

  /** The drawing, or the one that has become a motif as long as the cloth does not show that. */
  #stillSeen(): Drawn {
    const { drawing } = this.editor;
    const leaving = drawing.leaving.getState();
    const now = drawing.shades.draft.getState() ?? drawing.drawn.getState();
    if (!leaving) return now;
    if (leaving.placements.every((id) => !this.editor.placement(id) || this.view.hasPainted(id))) {
      drawing.leaving.set(undefined);
      return now;
    }
    this.#update();
    return leaving.drawn;
  }

  #drawStroke(
    context: CanvasRenderingContext2D,
    stroke: Stroke,
    frame: Matrix,
    viewport: Viewport,
    resolve: InkResolver,
  ): void {
    const { line, area, box } = this.#shapeOf(stroke);
    const isRubber = stroke.deed === 'rubber';
    const { backend } = this.view;
    const paint = isRubber ? strokePaint({ opacity: 1 }, stroke.ink) : linePaint(stroke);
    context.save();
    context.globalCompositeOperation = isRubber ? 'destination-out' : 'source-over';
    for (const matrix of instancesIn(this.editor.lattice, frame, box, windowMm(viewport))) {
      placeContext(context, viewport, matrix);
      if (area && stroke.fill) {
        setPaint(context, 'fillStyle', strokePaint(stroke, stroke.fill), backend, resolve);
        context.fill(area);
      }
      setPaint(context, stroke.deed === 'path' ? 'strokeStyle' : 'fillStyle', paint, backend, resolve);
      if (stroke.deed === 'path') drawLine(context, line, stroke.width);
      else {
        context.fill(line, stroke.deed === 'area' ? 'evenodd' : 'nonzero');
      }
    }
    context.restore();
  }

  #drawLive(viewport: Viewport, resolve: InkResolver): void {
    const { drawing, lattice, part, points } = this.editor;
    const opened = points.opened.getState();
    const context = this.#live;
    clear(context, viewport);
    const pen = drawing.pen.getState();
    const path = drawing.path.open.getState();
    if (!pen) this.#pieces.clear();
    const brush = drawing.brush.getState();
    if (pen) {
      const { paths, box } = this.#pieces.shapeOf(pen, brush);
      const isRubber = pen.deed === 'rubber';
      // What is rubbed out goes at once; it is laid anew where the stroke is given up.
      const on = isRubber ? this.#settled : context;
      if (isRubber) this.#shown = undefined;
      on.save();
      on.globalCompositeOperation = isRubber ? 'destination-out' : 'source-over';
      on.globalAlpha = isRubber ? 1 : brush.opacity;
      const window = windowMm(viewport);
      for (const copy of drawnBy(drawing.symmetry.getState()))
        for (const matrix of instancesIn(lattice, copy, box, window)) {
          placeContext(on, viewport, matrix);
          if (brush.fill && !isRubber) {
            on.fillStyle = resolve(brush.fill);
            on.fill(closed(pen.points));
          }
          on.fillStyle = resolve(brush.ink);
          for (const path of paths) on.fill(path);
        }
      on.restore();
    } else if (path && part.getState() === 'draw')
      drawOpenPath(context, path, brush, { viewport, lattice, resolve, copies: drawnBy(drawing.symmetry.getState()) });
    else if (opened && part.getState() === 'draw' && drawing.tool.getState() === 'points')
      drawPoints(context, points, opened, viewport);
    else if (this.#pointer && part.getState() === 'draw' && this.#isRinged())
      ring(context, viewport, this.#pointer, brush.width);
  }

  #isRinged(): boolean {
    const { drawing, masking } = this.editor;
    const tool = drawing.tool.getState();
    return RINGED.has(tool) || (tool === 'hide' && masking.tool.getState() === 'brush');
  }

  #shapeOf(stroke: Stroke): StrokeShape {
    const known = this.#shapes.get(stroke);
    if (known) return known;
    const outlines = outlinesOf(stroke);
    const area = stroke.fill && stroke.deed !== 'area' ? linesOf(stroke) : undefined;
    const shape = {
      line: stroke.deed === 'path' ? new Path2D(stroke.points) : closed(...outlines),
      area: area && closed(...area),
      box: boxAround([...outlines.flat(), ...(area ?? []).flat()]),
    };
    this.#shapes.set(stroke, shape);
    return shape;
  }
}

const sameColours = (a: InkResolver, b: InkResolver, strokes: readonly Stroke[]): boolean =>
  strokes
    .flatMap(({ ink, fill, shading }) => [ink, fill ?? ink, shading?.ink ?? ink])
    .every((ink) => a(ink) === b(ink));
