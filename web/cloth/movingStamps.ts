import type { Design } from '../../core/document/design.ts';
import { shapeMatrix, type Placement } from '../../core/document/placement.ts';
import { shiftBox, type Box } from '../../core/geometry/box.ts';
import { compose, invert, scaling, translation, type Matrix } from '../../core/geometry/matrix.ts';
import type { Point } from '../../core/geometry/point.ts';
import type { ClothPlan } from '../../core/paint/clothPlan.ts';
import { sceneOf, type DrawnMotif } from '../../core/paint/scene.ts';
import { StampCache, type Stamp } from '../../core/paint/stampCache.ts';
import {
  layStamp,
  paintStamp,
  partWorthPainting,
  stampKey,
  stampPlace,
  type StampPlace,
} from '../../core/paint/stamp.ts';
import type { Easel, Surface } from '../../core/paint/surface.ts';
import { echoesTouching } from '../../core/repeat/echoes.ts';
import { canonical, displacement } from '../../core/repeat/lattice.ts';
import type { PixelGrid } from '../../core/repeat/pixelFit.ts';
import type { PaintedStamp } from './paintMessages.ts';

/** Where a stamp is to be laid. */
export interface Laying {
  readonly sheet: Stamp;
  readonly placement: Placement;
  /** Pixels of the stamp, relative to its anchor. */
  readonly part: Box;
  /** Whole painted pixel of the window for the stamp's anchor. */
  readonly at: Point;
  /** Brings the stamp, its anchor at the origin, to where it lies in the window, where it is not simply laid there. */
  readonly posed?: Matrix;
  /** Screen pixels it covers. */
  readonly box: Box;
}

/** Of more than so many that are drawn live, each is painted once and its picture moved and turned until it lies still. */
export const MANY = 24;
/** Pixels of stamps kept while hands move; older shapes of what is being turned are let go. */
export const KEPT_PIXELS = 1 << 24;

/** What moves, painted once a shape and laid at every echo. */
export class MovingStamps {
  readonly #easel: Easel;
  readonly #stamps: StampCache;

  constructor(easel: Easel) {
    this.#easel = easel;
    this.#stamps = new StampCache(easel, KEPT_PIXELS);
  }

  /** Keeps stamps that were painted elsewhere. */
  keep(stamps: readonly PaintedStamp[]): void {
    for (const { key, image } of stamps) this.#stamps.keep(key, { pixels: image }, image.width * image.height);
  }

  /**
   * Every echo of the placements `ids` that the window shows, bottom to top; paints what has changed its shape.
   *
   * @param taken the design as it was when they were taken up: of many, what was painted then is moved and turned, right to
   * half a pixel and as sharp as a turned picture is
   */
  layings(
    design: Design,
    ids: readonly string[],
    drawn: ReadonlyMap<string, DrawnMotif>,
    { grid, reduction }: ClothPlan,
    window: Box,
    taken?: Design,
  ): Laying[] {
    const held = new Set(ids);
    const scene = sceneOf(design, drawn);
    const before = taken && ids.length > MANY ? sceneOf(taken, drawn).placements : scene.placements;
    const found: Laying[] = [];
    scene.placements.forEach((placement, n) => {
      const motif = held.has(placement.id) ? drawn.get(placement.motif) : undefined;
      if (!motif) return;
      const own = before[n];
      const painted = own?.id === placement.id && own.motif === placement.motif ? own : placement;
      const { box, anchor } = stampPlace(placement, motif, grid);
      const place = stampPlace(painted, motif, grid);
      const lies: Pick<Laying, 'at' | 'posed'> =
        painted === placement ? { at: anchor } : liesLike(placement, painted, motif, place, grid);
      let sheet: Stamp | undefined;
      let last: Box | undefined;
      for (const steps of echoesTouching(grid.lattice, shiftBox(lies.posed ? box : place.box, lies.at), window)) {
        const by = displacement(grid.lattice, steps);
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
          sheet = this.#stamps.sheet(
            stampKey(painted, motif, place, part, grid, scene),
            part.right - part.left,
            part.bottom - part.top,
            (on) => paintStamp(on, painted, motif, place, part, grid, scene, this.#easel),
          );
          last = part;
        }
        const covers = shiftBox(lies.posed ? box : part, at);
        found.push({
          sheet,
          placement,
          part,
          at,
          ...(lies.posed && { posed: compose(translation(at.x, at.y), lies.posed) }),
          box: {
            left: Math.floor(covers.left / reduction),
            top: Math.floor(covers.top / reduction),
            right: Math.ceil(covers.right / reduction),
            bottom: Math.ceil(covers.bottom / reduction),
          },
        });
      }
    });
    return found;
  }
}

/** How the stamp of a placement as it was is laid to look as it is now: by whole pixels where only its place is another. */
function liesLike(
  now: Placement,
  was: Placement,
  { motif }: DrawnMotif,
  { phase }: StampPlace,
  { lattice, scaleX, scaleY }: PixelGrid,
): Pick<Laying, 'at' | 'posed'> {
  const centre = canonical(lattice, { x: now.x * scaleX, y: now.y * scaleY });
  if (
    now.turn === was.turn &&
    now.scale === was.scale &&
    now.stretch === was.stretch &&
    now.skew === was.skew &&
    now.mirrored === was.mirrored
  ) {
    return { at: { x: Math.round(centre.x - phase.x), y: Math.round(centre.y - phase.y) } };
  }
  const at = { x: Math.floor(centre.x), y: Math.floor(centre.y) };
  const pixels = scaling(scaleX, scaleY);
  const back = invert(compose(pixels, shapeMatrix(was, motif)));
  if (!back) return { at };
  const onward = compose(compose(pixels, shapeMatrix(now, motif)), back);
  return {
    at,
    posed: compose(translation(centre.x - at.x, centre.y - at.y), compose(onward, translation(-phase.x, -phase.y))),
  };
}

/** Lays the stamps on a surface in screen pixels. */
export function layAll(surface: Surface, layings: readonly Laying[], reduction: number, easel: Easel): void {
  const plain: Matrix = [1 / reduction, 0, 0, 1 / reduction, 0, 0];
  surface.imageSmoothingQuality = 'high';
  for (const { sheet, placement, part, at, posed } of layings) {
    surface.imageSmoothingEnabled = reduction > 1 || posed !== undefined;
    surface.setTransform(...(posed ? compose(plain, posed) : plain));
    layStamp(surface, sheet, part, posed ? { x: 0, y: 0 } : at, placement, easel);
  }
  surface.setTransform(1, 0, 0, 1, 0, 0);
}
