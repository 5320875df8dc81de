import { type Design, type Placement, shapeMatrix } from '../../core/document/index.ts';
import {
  type Box,
  compose,
  invert,
  type Matrix,
  type Point,
  scalingMatrix,
  shiftBox,
  translationMatrix,
} from '../../core/geometry/index.ts';
import { indicesTouching, latticeTranslate, type PixelGrid, toFundamentalDomain } from '../../core/lattice/index.ts';
import type { DrawnMotif } from '../../core/motif/index.ts';
import {
  type Canvas2D,
  type CanvasBackend,
  type ClothPlan,
  drawSprite,
  paintSprite,
  partWorthPainting,
  sceneOf,
  type Sprite,
  SpriteCache,
  spriteKey,
  spritePlace,
  type SpritePlace,
} from '../../core/paint/index.ts';
import type { PaintedSprite } from './paintMessages.ts';

/** Where a sprite is to be laid. */
export interface SpriteDraw {
  readonly sheet: Sprite;
  readonly placement: Placement;
  /** Pixels of the sprite, relative to its anchor. */
  readonly part: Box;
  /** Whole painted pixel of the window for the sprite's anchor. */
  readonly at: Point;
  /** Brings the sprite, its anchor at the origin, to where it lies in the window, where it is not simply laid there. */
  readonly posed?: Matrix;
  /** Screen pixels it covers. */
  readonly box: Box;
}

/** Of more than so many that are drawn live, each is painted once and its picture moved and turned until it lies still. */
export const MANY = 24;
/** Pixels of sprites kept during a gesture; older sprites of what is being rotated are dropped. */
export const CACHE_PIXELS = 1 << 24;

/** What moves, painted once a shape and laid at every instance. */
export class MovingSprites {
  readonly #backend: CanvasBackend;
  readonly #sprites: SpriteCache;

  constructor(backend: CanvasBackend) {
    this.#backend = backend;
    this.#sprites = new SpriteCache(backend, CACHE_PIXELS);
  }

  /** Keeps sprites that were painted elsewhere. */
  keep(sprites: readonly PaintedSprite[]): void {
    for (const { key, image } of sprites) this.#sprites.keep(key, { pixels: image }, image.width * image.height);
  }

  /**
   * Every instance of the placements `ids` that the window shows, bottom to top; paints what has changed its shape.
   *
   * @param taken the design as it was when they were taken up: of many, what was painted then is moved and turned, right to
   * half a pixel and as sharp as a turned picture is
   */
  draws(
    design: Design,
    ids: readonly string[],
    drawn: ReadonlyMap<string, DrawnMotif>,
    { grid, reduction }: ClothPlan,
    window: Box,
    taken?: Design,
  ): SpriteDraw[] {
    const held = new Set(ids);
    const scene = sceneOf(design, drawn);
    const before = taken && ids.length > MANY ? sceneOf(taken, drawn).placements : scene.placements;
    const spriteDraws: SpriteDraw[] = [];
    scene.placements.forEach((placement, n) => {
      const motif = held.has(placement.id) ? drawn.get(placement.motif) : undefined;
      if (!motif) return;
      const own = before[n];
      const painted = own?.id === placement.id && own.motif === placement.motif ? own : placement;
      const { box, anchor } = spritePlace(placement, motif, grid);
      const place = spritePlace(painted, motif, grid);
      const lies: Pick<SpriteDraw, 'at' | 'posed'> =
        painted === placement ? { at: anchor } : liesLike(placement, painted, motif, place, grid);
      let sheet: Sprite | undefined;
      let last: Box | undefined;
      for (const steps of indicesTouching(grid.lattice, shiftBox(lies.posed ? box : place.box, lies.at), window)) {
        const by = latticeTranslate(grid.lattice, steps);
        const at = { x: lies.at.x + by.x - window.left, y: lies.at.y + by.y - window.top };
        const part = lies.posed
          ? place.box
          : partWorthPainting(place.box, at, {
              left: 0,
              top: 0,
              right: window.right - window.left,
              bottom: window.bottom - window.top,
            });
        if (!part) continue;
        if (!sheet || part !== last) {
          sheet = this.#sprites.sheet(
            spriteKey(painted, motif, place, part, grid, scene),
            part.right - part.left,
            part.bottom - part.top,
            (on) => paintSprite(on, painted, motif, place, part, grid, scene, this.#backend),
          );
          last = part;
        }
        const covers = shiftBox(lies.posed ? box : part, at);
        spriteDraws.push({
          sheet,
          placement,
          part,
          at,
          ...(lies.posed && { posed: compose(translationMatrix(at.x, at.y), lies.posed) }),
          box: {
            left: Math.floor(covers.left / reduction),
            top: Math.floor(covers.top / reduction),
            right: Math.ceil(covers.right / reduction),
            bottom: Math.ceil(covers.bottom / reduction),
          },
        });
      }
    });
    return spriteDraws;
  }
}

/** How the sprite of a placement as it was is laid to look as it is now: by whole pixels where only its place is another. */
function liesLike(
  now: Placement,
  was: Placement,
  { motif }: DrawnMotif,
  { phase }: SpritePlace,
  { lattice, scaleX, scaleY }: PixelGrid,
): Pick<SpriteDraw, 'at' | 'posed'> {
  const centre = toFundamentalDomain(lattice, { x: now.x * scaleX, y: now.y * scaleY });
  if (
    now.rotation === was.rotation &&
    now.scale === was.scale &&
    now.aspect === was.aspect &&
    now.skew === was.skew &&
    now.flipped === was.flipped
  ) {
    return { at: { x: Math.round(centre.x - phase.x), y: Math.round(centre.y - phase.y) } };
  }
  const at = { x: Math.floor(centre.x), y: Math.floor(centre.y) };
  const pixels = scalingMatrix(scaleX, scaleY);
  const back = invert(compose(pixels, shapeMatrix(was, motif)));
  if (!back) return { at };
  const onward = compose(compose(pixels, shapeMatrix(now, motif)), back);
  return {
    at,
    posed: compose(
      translationMatrix(centre.x - at.x, centre.y - at.y),
      compose(onward, translationMatrix(-phase.x, -phase.y)),
    ),
  };
}

/** Lays the sprites on a surface in screen pixels. */
export function drawSprites(
  surface: Canvas2D,
  draws: readonly SpriteDraw[],
  reduction: number,
  backend: CanvasBackend,
): void {
  const plain: Matrix = [1 / reduction, 0, 0, 1 / reduction, 0, 0];
  surface.imageSmoothingQuality = 'high';
  for (const { sheet, placement, part, at, posed } of draws) {
    surface.imageSmoothingEnabled = reduction > 1 || posed !== undefined;
    surface.setTransform(...(posed ? compose(plain, posed) : plain));
    drawSprite(surface, sheet, part, posed ? { x: 0, y: 0 } : at, placement, backend);
  }
  surface.setTransform(1, 0, 0, 1, 0, 0);
}
