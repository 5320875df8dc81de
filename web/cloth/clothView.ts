import type { Pickable } from '../../core/arrange/index.ts';
import type { Design } from '../../core/document/index.ts';
import type { Box, Point } from '../../core/geometry/index.ts';
import type { LatticeIndex } from '../../core/lattice/index.ts';
import type { DrawnMotif, Motif } from '../../core/motif/index.ts';
import { type CanvasBackend, depthRefusal } from '../../core/paint/index.ts';
import type { Session } from '../editor/session.ts';
import { ArtworkLoader } from './artworkLoader.ts';
import { ArtworkStore } from './artworkStore.ts';
import { copyPainted } from './copyPainted.ts';
import { ClothProblems } from './clothProblems.ts';
import { Compositor, type PaintedCloth, type PaintedFill } from './compositor.ts';
import { type Held, heldOf, NOTHING_HELD } from './held.ts';
import { PaintClient, type PaintHost } from './paintClient.ts';
import { startPaintWorker } from './paintHost.ts';
import type { Painted, PaintOrder } from './paintMessages.ts';
import { isStillGood, orderFor } from './paintOrder.ts';
import { paintSilhouette } from './silhouettes.ts';
import { remembered } from './remembered.ts';
import { ShownDesign } from './shownDesign.ts';
import {
  broughtHome,
  pannedBy,
  refitted,
  toMm,
  viewportAround,
  viewportWith,
  type Viewport,
  wholeRepeat,
} from './viewport.ts';

/**
 * The cloth on screen: what part of the plane is seen, what is to be painted of it, and when. Knows no React; whoever
 * shows things over the cloth subscribes to the viewport.
 */
export class ClothView {
  readonly #canvas: HTMLCanvasElement;
  readonly #session: Session;
  readonly #store = new ArtworkStore();
  readonly #loader: ArtworkLoader;
  readonly #painter: PaintClient;
  readonly #compositor: Compositor;
  readonly #listeners = new Set<() => void>();
  readonly #pickables = new Map<string, Pickable>();
  readonly #unsubscribe: () => void;

  #motifs: readonly Motif[] = [];
  #viewport: Viewport;
  #painted: PaintedCloth | undefined;
  #held: Held = NOTHING_HELD;
  readonly #shown = new ShownDesign();
  #frame: number | undefined;
  #lastPaintTook = 0;
  /** Every frame asks, and most ask about the same design. */
  readonly #depth = remembered(depthRefusal);
  readonly #problems = new ClothProblems(() => this.#tell());

  /**
   * @param seen where the cloth was looked at before; one whole repeat where missing
   * @param startWorker begins the worker that paints
   */
  constructor(
    canvas: HTMLCanvasElement,
    session: Session,
    frame: { width: number; height: number; density: number },
    seen?: Viewport,
    startWorker: () => PaintHost = startPaintWorker,
  ) {
    this.#canvas = canvas;
    this.#session = session;
    const { repeat } = session.state.design;
    this.#viewport = seen ?? wholeRepeat(frame, repeat);
    this.#compositor = new Compositor(canvas, this.#store.backend);
    this.#compositor.fit(this.#viewport);
    this.#painter = new PaintClient(
      startWorker,
      (painted, order) => this.#take(painted, order),
      (problem) => this.#problems.set('painting', problem),
    );
    this.#loader = new ArtworkLoader(
      (motif) => this.#store.fetch(motif),
      (drawn) => {
        const silhouette = paintSilhouette(drawn, this.#store.backend);
        this.#pickables.set(drawn.motif.id, { motif: drawn.motif, silhouette });
        this.#update();
        this.#tell();
      },
      (problem) => this.#problems.set('artwork', problem),
    );
    let repeatShown = repeat;
    this.#unsubscribe = session.subscribe(() => {
      const next = session.state.design.repeat;
      if (next !== repeatShown) {
        repeatShown = next;
        this.#setViewport(refitted(this.#viewport, this.#viewport, next));
      }
      this.#update();
    });
  }

  close(): void {
    this.#unsubscribe();
    this.#painter.close();
    this.#loader.close();
    if (this.#frame !== undefined) cancelAnimationFrame(this.#frame);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  readonly getViewport = (): Viewport => this.#viewport;

  /** What went wrong with painting or loading, or undefined. */
  readonly getProblem = (): string | undefined => this.#problems.sentence;

  /** Motifs as far as picking needs them; grows as artwork arrives. */
  get pickables(): ReadonlyMap<string, Pickable> {
    return this.#pickables;
  }

  /** The motifs whose artwork is at hand, and what paints them. */
  get drawn(): ReadonlyMap<string, DrawnMotif> {
    return this.#loader.drawn;
  }

  get backend(): CanvasBackend {
    return this.#store.backend;
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

  /** Shows another colourway; the base where there is none of that id. */
  showColourway(id: string | undefined): void {
    this.#shown.colourway = id;
    this.#update();
  }

  /** Paints the cloth without a placement; with all of them where it is undefined. */
  hide(placement: string | undefined): void {
    this.#shown.hidden = placement;
    this.#update();
  }

  /** Whether the cloth as it is seen has a placement in it. */
  hasPainted(placement: string): boolean {
    return this.#painted?.order.design.placements.some(({ id }) => id === placement) ?? false;
  }

  /**
   * Shows what another cloth has painted of the same design, at whatever scale, until this one has painted its own; nothing where
   * that shows another, or is not done.
   */
  showAsPaintedBy(other: ClothView): void {
    const painted = other.#painted;
    const isWhole =
      painted?.order.moving.length === 0 &&
      !other.#painter.isBusy &&
      other.#session.state.design === this.#session.state.design &&
      other.#shown.colourway === this.#shown.colourway;
    if (this.#painted || !painted || !isWhole) return;
    this.#painted = copyPainted(painted);
    this.drawFrame();
  }

  resize(width: number, height: number, density: number): void {
    const viewport = this.#viewport;
    if (viewport.width === width && viewport.height === height && viewport.density === density) return;
    this.#setViewport(refitted(viewport, { width, height, density }, this.#design.repeat));
    this.#compositor.fit(this.#viewport);
    this.drawFrame();
  }

  panBy(by: Point): void {
    this.#setViewport(pannedBy(this.#viewport, by));
  }

  zoomAt(at: Point, factor: number): void {
    this.#setViewport(
      viewportWith(this.#viewport, this.#design.repeat, this.#viewport.scale * factor, toMm(this.#viewport, at), at),
    );
  }

  /** Shows the scale and place of another cloth. */
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
    this.#held = heldOf(this.#design, ids);
    this.#update();
  }

  /** Nothing moves any more. The live drawing stays until the cloth is painted with the moved placements in it. */
  release(): void {
    this.#held = NOTHING_HELD;
    this.#update();
  }

  /** Fetches a motif's artwork before it is used. */
  prefetch(motif: Motif): void {
    this.#loader.want(motif);
  }

  /** Moves the view by whole repeats, which shows the same cloth, so that the cell `index` becomes the one at the origin. */
  bringHome(index: LatticeIndex): void {
    this.#setViewport(broughtHome(this.#viewport, index));
  }

  /** Draws the current view. Called once a frame; public for the benchmarks. */
  drawFrame(): void {
    const painted = this.#painted;
    if (!painted) return;
    // What was painted apart goes on being drawn live until a cloth with it in it has arrived.
    const live = painted.order.moving.length > 0 ? painted.order.moving : this.#held.ids;
    this.#compositor.drawFrame({
      viewport: this.#viewport,
      painted,
      design: this.#design,
      live,
      drawn: this.#loader.drawn,
    });
  }

  get #design(): Design {
    return this.#shown.of(this.#session.state.design);
  }

  #setViewport(viewport: Viewport): void {
    this.#viewport = viewport;
    this.#update();
    this.#tell();
  }

  #update(): void {
    const used = new Set(this.#design.placements.map(({ motif }) => motif));
    for (const motif of this.#motifs) if (used.has(motif.id)) this.#loader.want(motif);
    // Once a frame, so that a change made of several is ordered as one.
    this.#frame ??= requestAnimationFrame(() => {
      this.#frame = undefined;
      this.#order();
      this.drawFrame();
      // Told to whoever waits for the cloth to show the design as it is.
      this.#canvas.setAttribute('aria-busy', String(this.#painter.isBusy));
    });
  }

  /** The design as it is to be painted: while something moves, its preview changes nothing of what is painted. */
  get #wanted(): Design {
    return this.#held.design ?? this.#design;
  }

  /** One order at a time: the next begins with whatever is wanted by then, so a fast hand never starves the cloth. */
  #order(): void {
    if (this.#painter.isBusy || this.#viewport.width === 0) return;
    const tooDeep = this.#depth(this.#wanted, this.#motifs);
    this.#problems.set('depth', tooDeep);
    if (tooDeep !== undefined) return;
    const order = orderFor(this.#viewport, this.#wanted, this.#motifs, this.#held.ids);
    if (!this.#painted || !isStillGood(this.#painted.order, order, this.#viewport)) this.#painter.order(order);
  }

  #take({ below, above, sprites, took }: Painted, order: PaintOrder): void {
    const fill = (image: ImageBitmap): PaintedFill => ({ image, plan: order.plan, window: order.window });
    this.#painted?.below.image.close();
    this.#painted?.above?.image.close();
    this.#compositor.keep(sprites);
    this.#painted = { below: fill(below), above: above && fill(above), order };
    this.#lastPaintTook = took;
    this.#problems.set('painting', undefined);
    this.#update();
  }

  #tell(): void {
    for (const listener of this.#listeners) listener();
  }
}
