import type { Session } from '../editor/session.ts';
import type { Pickable } from '../../core/arrange/index.ts';
import { asDrawn, type Design } from '../../core/document/index.ts';
import { type Box, compose, type Point, scalingMatrix, translationMatrix } from '../../core/geometry/index.ts';
import { type LatticeIndex, latticeTranslate } from '../../core/lattice/index.ts';
import { type Motif, silhouetteOf } from '../../core/motif/index.ts';
import { canPaintSeparately, type Canvas2D, type DrawnMotif, paintArtwork } from '../../core/paint/index.ts';
import { ArtworkStore } from './artworkStore.ts';
import { browserSurface, type BrowserSurface } from './browserBackend.ts';
import { layFill, type Fill } from './layFill.ts';
import { drawSprites, MANY, MovingSprites, type SpriteDraw } from './movingSprites.ts';
import type { PaintAnswer, PaintOrder } from './paintMessages.ts';
import { stackAround } from './stackAround.ts';
import { paintedWindow, refitted, toMm, viewportAround, viewportWith, type Viewport } from './viewport.ts';

/** What was painted last: one image, or what lies below and above the placements that move. */
interface PaintedCloth {
  readonly below: PaintedFill;
  readonly above: PaintedFill | undefined;
  readonly order: PaintOrder;
}

type PaintedFill = Fill & { readonly image: ImageBitmap };

/** The placements that move, and the design as it was when they were taken up. */
interface Held {
  readonly ids: readonly string[];
  readonly design: Design | undefined;
}

const NOTHING_HELD: Held = { ids: [], design: undefined };

/** Share of the window that is painted around it, so that panning has something to show. */
const MARGIN = 0.4;
/** Long side of a silhouette. */
const SILHOUETTE = 128;
/** An order is given up after this long, should the worker have died over it, ms. */
const PATIENCE = 30_000;

/**
 * The cloth on screen: what part of the plane is seen, what is painted of it, and the frames in between. Knows no
 * React; whoever shows things over the cloth subscribes to the viewport.
 */
export class ClothView {
  readonly #canvas: HTMLCanvasElement;
  readonly #context: CanvasRenderingContext2D;
  readonly #session: Session;
  readonly #worker: Worker;
  readonly #shelf = new ArtworkStore();
  readonly #stamps = new MovingSprites(this.#shelf.backend);
  readonly #listeners = new Set<() => void>();
  readonly #drawn = new Map<string, DrawnMotif>();
  readonly #pickables = new Map<string, Pickable>();
  readonly #leave: () => void;

  #motifs: readonly Motif[] = [];
  #viewport: Viewport;
  #painted: PaintedCloth | undefined;
  #ordered: PaintOrder | undefined;
  #orderTimer: ReturnType<typeof setTimeout> | undefined;
  #held: Held = NOTHING_HELD;
  #frame: number | undefined;
  /** What the visible canvas shows while something moves, for redrawing only what changes. */
  #shown:
    | {
        viewport: Viewport;
        painted: PaintedCloth;
        below: BrowserSurface;
        above: BrowserSurface | undefined;
        layings: readonly SpriteDraw[];
      }
    | undefined;
  /** What repeats, while much of it is drawn live. */
  #tile: BrowserSurface | undefined;
  #lastPaintTook = 0;
  #problem: string | undefined;

  /** @param seen where the cloth was looked at before; one whole repeat where missing */
  constructor(
    canvas: HTMLCanvasElement,
    session: Session,
    frame: { width: number; height: number; density: number },
    seen?: Viewport,
  ) {
    const context = canvas.getContext('2d');
    if (!context) throw new Error('this browser gives no 2D canvas');
    this.#canvas = canvas;
    this.#context = context;
    this.#session = session;
    const { repeat } = session.state.design;
    this.#viewport =
      seen ?? viewportAround(frame, repeat, { left: 0, top: 0, right: repeat.width, bottom: repeat.height }, 0.14);
    this.#fitCanvas();
    this.#worker = new Worker(new URL('./paintWorker.ts', import.meta.url), { type: 'module' });
    this.#worker.onmessage = ({ data }: MessageEvent<PaintAnswer>) => this.#take(data);
    let repeatShown = repeat;
    this.#leave = session.subscribe(() => {
      const next = session.state.design.repeat;
      if (next !== repeatShown) {
        repeatShown = next;
        this.#setViewport(refitted(this.#viewport, this.#viewport, next));
      }
      this.#update();
    });
  }

  close(): void {
    this.#leave();
    this.#worker.terminate();
    clearTimeout(this.#orderTimer);
    if (this.#frame !== undefined) cancelAnimationFrame(this.#frame);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  readonly getViewport = (): Viewport => this.#viewport;

  /** What went wrong with painting, or undefined. */
  readonly getProblem = (): string | undefined => this.#problem;

  /** Motifs as far as picking needs them; grows as artwork arrives. */
  get pickables(): ReadonlyMap<string, Pickable> {
    return this.#pickables;
  }

  get lastPaintTook(): number {
    return this.#lastPaintTook;
  }

  setMotifs(motifs: readonly Motif[]): void {
    this.#motifs = motifs;
    for (const motif of motifs)
      this.#pickables.set(motif.id, { motif, silhouette: this.#pickables.get(motif.id)?.silhouette });
    this.#update();
  }

  resize(width: number, height: number, density: number): void {
    const viewport = this.#viewport;
    if (viewport.width === width && viewport.height === height && viewport.density === density) return;
    this.#setViewport(refitted(viewport, { width, height, density }, this.#design.repeat));
    this.#fitCanvas();
    this.drawFrame();
  }

  panBy(by: Point): void {
    const { density, x, y } = this.#viewport;
    this.#setViewport({ ...this.#viewport, x: x - Math.round(by.x * density), y: y - Math.round(by.y * density) });
  }

  zoomAt(at: Point, factor: number): void {
    this.#setViewport(
      viewportWith(this.#viewport, this.#design.repeat, this.#viewport.scale * factor, toMm(this.#viewport, at), at),
    );
  }

  /** Looks as told, at the scale and place of another cloth. */
  look(viewport: Viewport): void {
    this.#setViewport(viewport);
  }

  show(box: Box, margin?: number): void {
    this.#setViewport(viewportAround(this.#viewport, this.#design.repeat, box, margin));
  }

  /** Zooms to a scale in CSS pixels per mm, keeping the middle. */
  setScale(scale: number): void {
    this.zoomAt({ x: this.#viewport.width / 2, y: this.#viewport.height / 2 }, scale / this.#viewport.scale);
  }

  /**
   * These placements are about to move: they are drawn live from now on, all else is painted without them. Where that
   * would look otherwise than the cloth does, all of it is painted anew at each step instead.
   */
  hold(ids: readonly string[]): void {
    const around = stackAround(this.#design.placements, ids);
    this.#held = around && canPaintSeparately(this.#design, around) ? { ids, design: this.#design } : NOTHING_HELD;
    this.#update();
  }

  /** Nothing moves any more. The live drawing stays until the cloth is painted with the moved placements in it. */
  release(): void {
    this.#held = NOTHING_HELD;
    this.#update();
  }

  /** Fetches a motif's artwork before it is used. */
  prefetch(motif: Motif): void {
    this.#fetchMotif(motif);
  }

  /** Moves the view by whole repeats, which shows the same cloth, so that the cell `steps` becomes the one at the origin. */
  bringHome(steps: LatticeIndex): void {
    const { plan } = this.#viewport;
    const by = latticeTranslate(plan.grid.lattice, steps);
    const { x, y } = this.#viewport;
    this.#setViewport({
      ...this.#viewport,
      x: x - Math.round(by.x / plan.reduction),
      y: y - Math.round(by.y / plan.reduction),
    });
  }

  get #design(): Design {
    return this.#session.state.design;
  }

  #setViewport(viewport: Viewport): void {
    this.#viewport = viewport;
    this.#update();
    for (const listener of this.#listeners) listener();
  }

  #fitCanvas(): void {
    const { width, height, density } = this.#viewport;
    this.#canvas.width = Math.ceil(width * density);
    this.#canvas.height = Math.ceil(height * density);
  }

  #update(): void {
    this.#fetchArtwork();
    // Once a frame, so that a change made of several is ordered as one.
    this.#frame ??= requestAnimationFrame(() => {
      this.#frame = undefined;
      this.#order();
      this.drawFrame();
      // Told to whoever waits for the cloth to show the design as it is.
      this.#canvas.setAttribute('aria-busy', String(this.#ordered !== undefined));
    });
  }

  /** The design as it is to be painted: while something moves, its preview changes nothing of what is painted. */
  get #wanted(): Design {
    return this.#held.design ?? this.#design;
  }

  #needsPaint(): boolean {
    const order = this.#painted?.order;
    if (!order) return true;
    const { plan } = this.#viewport;
    return (
      order.design !== this.#wanted ||
      order.moving !== this.#held.ids ||
      order.motifs !== this.#motifs ||
      order.plan.kind !== plan.kind ||
      order.plan.scaleX !== plan.scaleX ||
      order.plan.scaleY !== plan.scaleY ||
      order.plan.reduction !== plan.reduction ||
      (order.window !== undefined && !contains(order.window, paintedWindow(this.#viewport)))
    );
  }

  /** One order at a time: the next begins with whatever is wanted by then, so a fast hand never starves the cloth. */
  #order(): void {
    if (this.#ordered || !this.#needsPaint() || this.#viewport.width === 0) return;
    const { plan } = this.#viewport;
    const seen = paintedWindow(this.#viewport);
    const mx = Math.round((seen.right - seen.left) * MARGIN);
    const my = Math.round((seen.bottom - seen.top) * MARGIN);
    const order: PaintOrder = {
      id: (this.#painted?.order.id ?? 0) + 1,
      design: this.#wanted,
      motifs: this.#motifs,
      plan,
      window:
        plan.kind === 'window'
          ? { left: seen.left - mx, top: seen.top - my, right: seen.right + mx, bottom: seen.bottom + my }
          : undefined,
      moving: this.#held.ids,
    };
    this.#ordered = order;
    this.#worker.postMessage(order);
    this.#orderTimer = setTimeout(() => {
      this.#ordered = undefined;
      this.#report('The cloth could not be painted in time. Your design is safe; reload the page.');
    }, PATIENCE);
  }

  #take(answer: PaintAnswer): void {
    const order = this.#ordered;
    if (!order || answer.id !== order.id) return;
    clearTimeout(this.#orderTimer);
    this.#ordered = undefined;
    if ('failed' in answer) {
      this.#report(`The cloth could not be painted (${answer.failed}). Your design is safe; reload the page.`);
      return;
    }
    const fill = (image: ImageBitmap): PaintedFill => ({ image, plan: order.plan, window: order.window });
    this.#painted?.below.image.close();
    this.#painted?.above?.image.close();
    this.#stamps.keep(answer.stamps);
    this.#painted = { below: fill(answer.below), above: answer.above && fill(answer.above), order };
    this.#lastPaintTook = answer.took;
    this.#shown = undefined;
    this.#report(undefined);
    this.#update();
  }

  #report(problem: string | undefined): void {
    if (problem === this.#problem) return;
    this.#problem = problem;
    for (const listener of this.#listeners) listener();
  }

  /** Draws what is seen now. Called once a frame; public for the bench. */
  drawFrame(): void {
    if (!this.#painted) return;
    // What was painted apart goes on being drawn live until a cloth with it in it has arrived.
    const live = this.#painted.order.moving.length > 0 ? this.#painted.order.moving : this.#held.ids;
    if (live.length === 0) {
      this.#shown = undefined;
      layFill(this.#context, this.#painted.below, this.#viewport);
      return;
    }
    const drawn = stackAround(this.#design.placements, live)?.live ?? live;
    if (drawn.length > MANY && this.#painted.order.moving.length === 0) {
      // Pictures of so many are on their way; until then all lies where it was.
      this.#shown = undefined;
      layFill(this.#context, this.#painted.below, this.#viewport);
      return;
    }
    const { image, window } = this.#painted.below;
    const repeats = !window && image.width * image.height < this.#canvas.width * this.#canvas.height;
    if (repeats && drawn.length > MANY) this.#drawTile(this.#painted, drawn);
    else this.#drawMoving(this.#painted, drawn, new Set(live));
  }

  /** Where much is drawn live: all of it is laid once into what repeats, and that over the window. */
  #drawTile({ below, above, order: { plan, design } }: PaintedCloth, drawn: readonly string[]): void {
    const { width, height } = below.image;
    const tile = (this.#tile ??= browserSurface(width, height));
    // A size that is set clears it, too.
    tile.resize(width, height);
    tile.context.drawImage(below.image, 0, 0);
    // Far off, the image is of so many repeats as it is reduced by.
    const seen = { left: 0, top: 0, right: width * plan.reduction, bottom: height * plan.reduction };
    const layings = this.#stamps.layings(this.#design, drawn, this.#drawn, plan, seen, design);
    drawSprites(tile.context, layings, plan.reduction, this.#shelf.backend);
    if (above) tile.context.drawImage(above.image, 0, 0);
    this.#shown = undefined;
    layFill(this.#context, { image: tile.canvas, plan, window: undefined }, this.#viewport);
  }

  #drawMoving(painted: PaintedCloth, drawn: readonly string[], moving: ReadonlySet<string>): void {
    const viewport = this.#viewport;
    const context = this.#context;
    const layings = this.#stamps.layings(
      this.#design,
      drawn,
      this.#drawn,
      viewport.plan,
      paintedWindow(viewport),
      painted.order.design,
    );
    const before = this.#shown;
    const fresh = before === undefined || before.viewport !== viewport || before.painted !== painted;
    const shown = fresh ? { viewport, painted, ...this.#laidApart(painted), layings } : { ...before, layings };
    this.#shown = shown;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.save();
    const touched = fresh
      ? []
      : [...before.layings, ...layings].filter(({ placement }) => moving.has(placement.id)).map(({ box }) => box);
    if (!fresh && isLittle(touched, this.#canvas.width * this.#canvas.height)) {
      // Only where something was or is now; all edges are whole pixels.
      context.beginPath();
      for (const box of touched) context.rect(box.left, box.top, box.right - box.left, box.bottom - box.top);
      context.clip();
    }
    context.clearRect(0, 0, this.#canvas.width, this.#canvas.height);
    context.drawImage(shown.below.canvas, 0, 0);
    drawSprites(context as unknown as Canvas2D, layings, viewport.plan.reduction, this.#shelf.backend);
    if (shown.above) context.drawImage(shown.above.canvas, 0, 0);
    context.restore();
  }

  /** What lies below and above, each laid over a whole window once, to be copied from frame after frame. */
  #laidApart(painted: PaintedCloth): { below: BrowserSurface; above: BrowserSurface | undefined } {
    const laid = (fill: Fill): BrowserSurface => {
      const sheet = browserSurface(this.#canvas.width, this.#canvas.height);
      layFill(sheet.context, fill, this.#viewport);
      return sheet;
    };
    return { below: laid(painted.below), above: painted.above && laid(painted.above) };
  }

  #fetchArtwork(): void {
    const used = new Set(this.#design.placements.map(({ motif }) => motif));
    for (const motif of this.#motifs) if (used.has(motif.id)) this.#fetchMotif(motif);
  }

  #fetchMotif(motif: Motif): void {
    const drawnMotif = this.#drawn.get(motif.id);
    if (drawnMotif?.motif === motif) return;
    // Renamed or resized: the artwork at hand serves on.
    if (drawnMotif?.motif.artwork === motif.artwork) {
      this.#drawn.set(motif.id, { ...drawnMotif, motif });
      return;
    }
    this.#shelf.fetch(motif).then(
      (drawn) => {
        this.#drawn.set(motif.id, drawn);
        this.#pickables.set(motif.id, { motif: drawn.motif, silhouette: this.#silhouette(drawn) });
      },
      (error: unknown) =>
        this.#report(
          `The motif “${motif.name}” could not be fetched (${String(error)}). Your design is safe; reload the page.`,
        ),
    );
  }

  #silhouette({ artwork }: DrawnMotif): ReturnType<typeof silhouetteOf> {
    const { view } = artwork;
    const scale = SILHOUETTE / Math.max(view.width, view.height);
    const width = Math.max(1, Math.round(view.width * scale));
    const height = Math.max(1, Math.round(view.height * scale));
    const sheet = browserSurface(width, height);
    const matrix = compose(
      scalingMatrix(width / view.width, height / view.height),
      translationMatrix(-view.x, -view.y),
    );
    paintArtwork(sheet.context, artwork.nodes, matrix, { easel: this.#shelf.backend, resolve: asDrawn, width, height });
    return silhouetteOf(sheet.context.getImageData(0, 0, width, height).data, width, height);
  }
}

/** Whether redrawing only these boxes is less work than redrawing everything: a clip of many boxes is slow itself. */
function isLittle(boxes: readonly Box[], whole: number): boolean {
  return (
    boxes.length <= 60 &&
    boxes.reduce((sum, { left, top, right, bottom }) => sum + (right - left) * (bottom - top), 0) < whole / 2
  );
}

function contains(outer: Box, inner: Box): boolean {
  return (
    outer.left <= inner.left && outer.top <= inner.top && outer.right >= inner.right && outer.bottom >= inner.bottom
  );
}
