import type { Design } from '../../core/document/design.ts';
import type { Placement } from '../../core/document/placement.ts';
import { shiftBox, type Box } from '../../core/geometry/box.ts';
import type { ClothPlan } from '../../core/paint/clothPlan.ts';
import { sceneOf, type DrawnMotif } from '../../core/paint/scene.ts';
import { StampCache } from '../../core/paint/stampCache.ts';
import { layStamp, paintStamp, partWorthPainting, stampKey, stampPlace } from '../../core/paint/stamp.ts';
import type { Easel, Sheet, Surface } from '../../core/paint/surface.ts';
import { echoesTouching } from '../../core/repeat/echoes.ts';
import { displacement } from '../../core/repeat/lattice.ts';

/** The painted picture of one moving placement, kept while only its place changes. */
interface Stamp {
  readonly sheet: Sheet;
  readonly placement: Placement;
  readonly part: Box;
}

/** Where a stamp is to be laid. */
export interface Laying {
  readonly stamp: Stamp;
  /** Whole painted pixel of the window for the stamp's anchor. */
  readonly at: { readonly x: number; readonly y: number };
  /** Screen pixels it covers. */
  readonly box: Box;
}

/** Pixels of stamps kept while hands move; older shapes of what is being turned are let go. */
const KEPT_PIXELS = 1 << 24;

/** What moves, painted once a shape and laid at every echo. */
export class MovingStamps {
  readonly #easel: Easel;
  readonly #stamps: StampCache;

  constructor(easel: Easel) {
    this.#easel = easel;
    this.#stamps = new StampCache(easel, KEPT_PIXELS);
  }

  /** Every echo of the placements `ids` that the window shows, bottom to top; paints what has changed its shape. */
  layings(design: Design, ids: readonly string[], drawn: ReadonlyMap<string, DrawnMotif>, { grid, reduction }: ClothPlan, window: Box): Laying[] {
    const held = new Set(ids);
    const scene = sceneOf(design, drawn);
    const found: Laying[] = [];
    for (const placement of scene.placements) {
      const motif = held.has(placement.id) ? drawn.get(placement.motif) : undefined;
      if (!motif) continue;
      const place = stampPlace(placement, motif, grid);
      let sheet: Sheet | undefined;
      let painted: Box | undefined;
      for (const steps of echoesTouching(grid.lattice, shiftBox(place.box, place.anchor), window)) {
        const by = displacement(grid.lattice, steps);
        const at = { x: place.anchor.x + by.x - window.left, y: place.anchor.y + by.y - window.top };
        const part = partWorthPainting(place.box, at, { left: 0, top: 0, right: window.right - window.left, bottom: window.bottom - window.top });
        if (!part) continue;
        if (!sheet || part !== painted) {
          sheet = this.#stamps.sheet(stampKey(placement, motif, place, part, grid, scene), part.right - part.left, part.bottom - part.top, (on) => paintStamp(on, placement, motif, place, part, grid, scene, this.#easel));
          painted = part;
        }
        const box = shiftBox(part, at);
        found.push({
          stamp: { sheet, placement, part },
          at,
          box: { left: Math.floor(box.left / reduction), top: Math.floor(box.top / reduction), right: Math.ceil(box.right / reduction), bottom: Math.ceil(box.bottom / reduction) },
        });
      }
    }
    return found;
  }
}

/** Lays the stamps on a surface in screen pixels. */
export function layAll(surface: Surface, layings: readonly Laying[], reduction: number, easel: Easel): void {
  surface.imageSmoothingEnabled = reduction > 1;
  surface.imageSmoothingQuality = 'high';
  surface.setTransform(1 / reduction, 0, 0, 1 / reduction, 0, 0);
  for (const { stamp, at } of layings) layStamp(surface, stamp.sheet, stamp.part, at, stamp.placement, easel);
  surface.setTransform(1, 0, 0, 1, 0, 0);
}
