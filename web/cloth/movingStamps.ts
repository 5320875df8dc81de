import type { Design } from '../../core/document/design.ts';
import type { Placement } from '../../core/document/placement.ts';
import { shiftBox, type Box } from '../../core/geometry/box.ts';
import { inkResolver } from '../../core/colour/inkResolver.ts';
import type { ClothPlan } from '../../core/paint/clothPlan.ts';
import type { DrawnMotif } from '../../core/paint/scene.ts';
import { layStamp, paintStamp, partWorthPainting, stampPlace, type StampPlace } from '../../core/paint/stamp.ts';
import type { Easel, Surface } from '../../core/paint/surface.ts';
import { echoesTouching } from '../../core/repeat/echoes.ts';
import { displacement } from '../../core/repeat/lattice.ts';
import { browserSheet, type BrowserSheet } from './browserEasel.ts';

/** The painted picture of one moving placement, kept while only its place changes. */
interface Stamp {
  readonly sheet: BrowserSheet;
  placement: Placement;
  place: StampPlace;
  part: Box;
  key: string;
}

/** Where a stamp is to be laid. */
export interface Laying {
  readonly stamp: Stamp;
  /** Whole painted pixel of the window for the stamp's anchor. */
  readonly at: { readonly x: number; readonly y: number };
  /** Screen pixels it covers. */
  readonly box: Box;
}

/** Less than this much of a pixel of movement does not show. */
const SAME_PHASE = 1e-6;

/** What moves, painted once a shape and laid at every echo. */
export class MovingStamps {
  readonly #stamps = new Map<string, Stamp>();

  /** Every echo of the placements `ids` that the window shows, bottom to top; paints what has changed its shape. */
  layings(design: Design, ids: readonly string[], drawn: ReadonlyMap<string, DrawnMotif>, plan: ClothPlan, window: Box, easel: Easel): Laying[] {
    const held = new Set(ids);
    for (const id of this.#stamps.keys()) if (!held.has(id)) this.#stamps.delete(id);
    const resolve = inkResolver(design);
    const found: Laying[] = [];
    for (const placement of design.placements) {
      const motif = held.has(placement.id) ? drawn.get(placement.motif) : undefined;
      if (!motif) continue;
      const place = stampPlace(placement, motif, plan.grid);
      for (const steps of echoesTouching(plan.grid.lattice, shiftBox(place.box, place.anchor), window)) {
        const by = displacement(plan.grid.lattice, steps);
        const at = { x: place.anchor.x + by.x - window.left, y: place.anchor.y + by.y - window.top };
        const part = partWorthPainting(place.box, at, { left: 0, top: 0, right: window.right - window.left, bottom: window.bottom - window.top });
        if (!part) continue;
        const stamp = this.#painted(placement, motif, place, part, plan, resolve, easel);
        const box = shiftBox(part, at);
        const reduce = plan.reduction;
        found.push({
          stamp,
          at,
          box: { left: Math.floor(box.left / reduce), top: Math.floor(box.top / reduce), right: Math.ceil(box.right / reduce), bottom: Math.ceil(box.bottom / reduce) },
        });
      }
    }
    return found;
  }

  #painted(placement: Placement, motif: DrawnMotif, place: StampPlace, part: Box, plan: ClothPlan, resolve: ReturnType<typeof inkResolver>, easel: Easel): Stamp {
    const { cell } = plan.grid;
    const key = [placement.turn, placement.scale, placement.mirrored, motif.motif.artwork, motif.motif.width, cell.width, cell.height, part.left, part.top, part.right, part.bottom].join(' ');
    let stamp = this.#stamps.get(placement.id);
    const same =
      stamp?.key === key && Math.abs(stamp.place.phase.x - place.phase.x) < SAME_PHASE && Math.abs(stamp.place.phase.y - place.phase.y) < SAME_PHASE;
    if (!stamp) this.#stamps.set(placement.id, (stamp = { sheet: browserSheet(1, 1), placement, place, part, key }));
    if (!same) paintStamp(stamp.sheet, placement, motif, place, part, plan.grid, { resolve }, easel);
    Object.assign(stamp, { placement, place, part, key });
    return stamp;
  }
}

/** Lays the stamps on a surface in screen pixels. */
export function layAll(surface: Surface, layings: readonly Laying[], reduction: number, easel: Easel): void {
  surface.setTransform(1 / reduction, 0, 0, 1 / reduction, 0, 0);
  for (const { stamp, at } of layings) layStamp(surface, stamp.sheet, stamp.part, at, stamp.placement.opacity, easel);
  surface.setTransform(1, 0, 0, 1, 0, 0);
}
