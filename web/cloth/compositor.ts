import type { Design } from '../../core/document/index.ts';
import type { Box } from '../../core/geometry/index.ts';
import type { DrawnMotif } from '../../core/motif/index.ts';
import type { CanvasBackend } from '../../core/paint/index.ts';
import { browserSurface, type BrowserSurface } from './browserBackend.ts';
import { layFill, type Fill } from './layFill.ts';
import { drawSprites, MANY, MovingSprites, type SpriteDraw } from './movingSprites.ts';
import type { PaintedSprite, PaintOrder } from './paintMessages.ts';
import { stackAround } from './stackAround.ts';
import { paintedWindow, type Viewport } from './viewport.ts';

/** What was painted last: one image, or what lies below and above the placements that move. */
export interface PaintedCloth {
  readonly below: PaintedFill;
  readonly above: PaintedFill | undefined;
  readonly order: PaintOrder;
}

export type PaintedFill = Fill & { readonly image: ImageBitmap };

/** All that a frame shows. */
export interface Frame {
  readonly viewport: Viewport;
  readonly painted: PaintedCloth;
  readonly design: Design;
  /** Placements that are drawn live, for they move. */
  readonly live: readonly string[];
  readonly drawn: ReadonlyMap<string, DrawnMotif>;
}

/** Puts frames together on the visible canvas: what was painted, and what moves between what lies below and above it. */
export class Compositor {
  readonly #canvas: HTMLCanvasElement;
  readonly #context: CanvasRenderingContext2D;
  readonly #backend: CanvasBackend;
  readonly #sprites: MovingSprites;
  /** What the visible canvas shows while something moves, for redrawing only what changes. */
  #shown:
    | {
        viewport: Viewport;
        painted: PaintedCloth;
        below: BrowserSurface;
        above: BrowserSurface | undefined;
        draws: readonly SpriteDraw[];
      }
    | undefined;
  /** What repeats, while much of it is drawn live. */
  #tile: BrowserSurface | undefined;

  constructor(canvas: HTMLCanvasElement, backend: CanvasBackend) {
    const context = canvas.getContext('2d');
    if (!context) throw new Error('this browser gives no 2D canvas');
    this.#canvas = canvas;
    this.#context = context;
    this.#backend = backend;
    this.#sprites = new MovingSprites(backend);
  }

  /** Gives the canvas the size of the viewport, in device pixels. */
  fit({ width, height, density }: Viewport): void {
    this.#canvas.width = Math.ceil(width * density);
    this.#canvas.height = Math.ceil(height * density);
  }

  /** Keeps sprites that were painted elsewhere. */
  keep(sprites: readonly PaintedSprite[]): void {
    this.#sprites.keep(sprites);
    this.#shown = undefined;
  }

  drawFrame(frame: Frame): void {
    const { painted, viewport, live, design } = frame;
    if (live.length === 0) {
      this.#shown = undefined;
      layFill(this.#context, painted.below, viewport);
      return;
    }
    const drawn = stackAround(design.placements, live)?.live ?? live;
    if (drawn.length > MANY && painted.order.moving.length === 0) {
      // Pictures of so many are on their way; until then all lies where it was.
      this.#shown = undefined;
      layFill(this.#context, painted.below, viewport);
      return;
    }
    const { image, window } = painted.below;
    const repeats = !window && image.width * image.height < this.#canvas.width * this.#canvas.height;
    if (repeats && drawn.length > MANY) this.#drawTile(frame, drawn);
    else this.#drawMoving(frame, drawn, new Set(live));
  }

  /** Where much is drawn live: all of it is laid once into what repeats, and that over the window. */
  #drawTile({ painted, design: now, drawn: motifs, viewport }: Frame, drawn: readonly string[]): void {
    const {
      below,
      above,
      order: { plan, design },
    } = painted;
    const { width, height } = below.image;
    const tile = (this.#tile ??= browserSurface(width, height));
    // A size that is set clears it, too.
    tile.resize(width, height);
    tile.context.drawImage(below.image, 0, 0);
    // Far off, the image is of so many repeats as it is reduced by.
    const seen = { left: 0, top: 0, right: width * plan.reduction, bottom: height * plan.reduction };
    const draws = this.#sprites.draws(now, drawn, motifs, plan, seen, design);
    drawSprites(tile.context, draws, plan.reduction, this.#backend);
    if (above) tile.context.drawImage(above.image, 0, 0);
    this.#shown = undefined;
    layFill(this.#context, { image: tile.canvas, plan, window: undefined }, viewport);
  }

  #drawMoving(frame: Frame, drawn: readonly string[], moving: ReadonlySet<string>): void {
    const { viewport, painted, design, drawn: motifs } = frame;
    const context = this.#context;
    const draws = this.#sprites.draws(
      design,
      drawn,
      motifs,
      viewport.plan,
      paintedWindow(viewport),
      painted.order.design,
    );
    const before = this.#shown;
    const fresh = before === undefined || before.viewport !== viewport || before.painted !== painted;
    const shown = fresh ? { viewport, painted, ...this.#laidApart(frame), draws } : { ...before, draws };
    this.#shown = shown;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.save();
    const touched = fresh
      ? []
      : [...before.draws, ...draws].filter(({ placement }) => moving.has(placement.id)).map(({ box }) => box);
    if (!fresh && isLittle(touched, this.#canvas.width * this.#canvas.height)) {
      // Only where something was or is now; all edges are whole pixels.
      context.beginPath();
      for (const box of touched) context.rect(box.left, box.top, box.right - box.left, box.bottom - box.top);
      context.clip();
    }
    context.clearRect(0, 0, this.#canvas.width, this.#canvas.height);
    context.drawImage(shown.below.canvas, 0, 0);
    drawSprites(context, draws, viewport.plan.reduction, this.#backend);
    if (shown.above) context.drawImage(shown.above.canvas, 0, 0);
    context.restore();
  }

  /** What lies below and above, each laid over a whole window once, to be copied from frame after frame. */
  #laidApart({ painted, viewport }: Frame): { below: BrowserSurface; above: BrowserSurface | undefined } {
    const laid = (fill: Fill): BrowserSurface => {
      const sheet = browserSurface(this.#canvas.width, this.#canvas.height);
      layFill(sheet.context, fill, viewport);
      return sheet;
    };
    return { below: laid(painted.below), above: painted.above && laid(painted.above) };
  }
}

/** Whether redrawing only these boxes is less work than redrawing everything: a clip of many boxes is slow itself. */
function isLittle(boxes: readonly Box[], whole: number): boolean {
  return (
    boxes.length <= 60 &&
    boxes.reduce((sum, { left, top, right, bottom }) => sum + (right - left) * (bottom - top), 0) < whole / 2
  );
}
