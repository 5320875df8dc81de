import { compositeOf, type Layer } from '../document/index.ts';
import { type Box, shiftBox } from '../geometry/index.ts';
import { indicesTouching, latticeTranslate, type PixelGrid } from '../lattice/index.ts';
import type { Canvas2D, CanvasBackend, OffscreenSurface } from './canvasBackend.ts';
import { paintingGround } from './ground/index.ts';
import type { Scene } from './scene.ts';
import { drawSprite, paintSprite, partsWorthPainting, spriteKey, spritePlace } from './sprite.ts';
import type { Sprite, SpriteCache } from './spriteCache.ts';

/** What the painter is asked for. */
export interface RenderRequest {
  /** A design with its motifs, in a colourway. */
  readonly scene: Scene;
  /** Its repeat at a scale. */
  readonly grid: PixelGrid;
  /** Whole pixels of the plane; the top left corner becomes (0, 0) of the surface. */
  readonly window: Box;
}

/** Which part of the stack to paint, and how. */
export interface PlaneOptions {
  /** Placements to paint; all of the scene's where missing. */
  readonly only?: ReadonlySet<string>;
  /** Leave the ground out, so that what is painted can lie over something else. */
  readonly bare?: boolean;
  /** Where painted sprites are kept for the next time; without one each is painted anew. */
  readonly sprites?: SpriteCache;
  /** Whether a pixel has to be the same to the bit in every window: huge motifs are then painted in whole blocks, which takes longer. */
  readonly exact?: boolean;
}

const INSTANCES_AT_A_TIME = 16;
/** Of all the work, for what is told of how far it is. */
const GROUND_SHARE = 0.2;

/**
 * Paints any rectangle of the plane, step by step, so that the caller can show progress or stop between steps.
 *
 * @param surface at least as large as the request's window; what is on it is cleared
 * @yields the share done, 0 to 1, after each placement and every few instances of one
 */
export function* paintingPlane(
  surface: Canvas2D,
  { scene, grid, window }: RenderRequest,
  backend: CanvasBackend,
  { only, bare = false, sprites, exact = false }: PlaneOptions = {},
): Generator<number, void> {
  const width = window.right - window.left;
  const height = window.bottom - window.top;
  surface.setTransform(1, 0, 0, 1, 0, 0);
  surface.clearRect(0, 0, width, height);
  if (!bare && scene.ground)
    for (const share of paintingGround(surface, scene.ground, { grid, window }, backend, sprites))
      yield share * GROUND_SHARE;
  const before = bare || (scene.ground?.kind ?? 'flat') === 'flat' ? 0 : GROUND_SHARE;
  const shareAt = (index: number): number => before + ((1 - before) * index) / scene.placements.length;
  let scratch: OffscreenSurface | undefined;
  let group: { readonly layer: Layer; readonly sheet: OffscreenSurface } | undefined;
  const closeGroup = (): void => {
    if (!group) return;
    surface.globalAlpha = group.layer.opacity;
    surface.globalCompositeOperation = compositeOf(group.layer.blend);
    backend.drawPixels(surface, group.sheet.pixels, { x: 0, y: 0, width, height });
    surface.globalAlpha = 1;
    surface.globalCompositeOperation = 'source-over';
    group = undefined;
  };
  for (const [index, placement] of scene.placements.entries()) {
    const drawn = scene.motifs.get(placement.motif);
    if (!drawn || placement.opacity === 0 || (only && !only.has(placement.id))) continue;
    const layer = scene.groups.get(placement.layer);
    if (layer !== group?.layer) {
      closeGroup();
      if (layer) group = { layer, sheet: backend.createSurface(width, height) };
    }
    const place = spritePlace(placement, drawn, grid);
    const box = shiftBox(place.box, place.anchor);
    let sheet: Sprite | undefined;
    let painted: Box | undefined;
    for (const [n, steps] of indicesTouching(grid.lattice, box, window).entries()) {
      // Often enough that a caller can stop soon, whatever one motif costs.
      if (n > 0 && n % INSTANCES_AT_A_TIME === 0) yield shareAt(index);
      const by = latticeTranslate(grid.lattice, steps);
      const at = { x: place.anchor.x + by.x, y: place.anchor.y + by.y };
      for (const part of partsWorthPainting(place.box, at, window, exact)) {
        if (part !== painted) {
          const paint = (on: OffscreenSurface): void =>
            paintSprite(on, placement, drawn, place, part, grid, scene, backend);
          if (sprites) {
            sheet = sprites.sheet(
              spriteKey(placement, drawn, place, part, grid, scene),
              part.right - part.left,
              part.bottom - part.top,
              paint,
            );
          } else {
            scratch ??= backend.createSurface(1, 1);
            paint(scratch);
            sheet = scratch;
          }
          painted = part;
        }
        drawSprite(
          group?.sheet.context ?? surface,
          sheet as Sprite,
          part,
          { x: at.x - window.left, y: at.y - window.top },
          placement,
          backend,
        );
      }
    }
    yield shareAt(index + 1);
  }
  closeGroup();
}

/** Paints any rectangle of the plane in one go. */
export function paintPlane(
  surface: Canvas2D,
  request: RenderRequest,
  backend: CanvasBackend,
  options?: PlaneOptions,
): void {
  for (const share of paintingPlane(surface, request, backend, options)) void share;
}

/** The cell at the origin, in whole pixels. */
export function cellWindow({ cell }: PixelGrid): Box {
  return { left: 0, top: 0, right: cell.width, bottom: cell.height };
}
