import { boxAroundCentre, shapeMatrix, type Placement } from '../document/placement.ts';
import { shiftBox } from '../geometry/box.ts';
import { invert, transform } from '../geometry/matrix.ts';
import type { Point } from '../geometry/point.ts';
import type { Motif } from '../motif/motif.ts';
import { isSolidNear, type Silhouette } from '../motif/silhouette.ts';
import { echoesTouching } from '../repeat/echoes.ts';
import { displacement, type Lattice, type Steps } from '../repeat/lattice.ts';

/** A motif as far as picking is concerned. */
export interface Pickable {
  readonly motif: Pick<Motif, 'width' | 'view'>;
  /** Its box counts where the silhouette is not known yet. */
  readonly silhouette: Silhouette | undefined;
}

/** An appearance of a placement. */
export interface Appearance {
  readonly id: string;
  readonly steps: Steps;
}

/**
 * What lies under a point of the cloth, topmost first: every appearance drawn within `reach` of it.
 *
 * @param point mm on the plane, anywhere
 * @param reach mm; small motifs would be hard to hit exactly
 */
export function pick(
  placements: readonly Placement[],
  motifs: ReadonlyMap<string, Pickable>,
  lattice: Lattice,
  point: Point,
  reach: number,
): Appearance[] {
  const found: Appearance[] = [];
  const window = { left: point.x - reach, top: point.y - reach, right: point.x + reach, bottom: point.y + reach };
  for (let n = placements.length - 1; n >= 0; n -= 1) {
    const placement = placements[n] as Placement;
    const pickable = motifs.get(placement.motif);
    if (!pickable) continue;
    const box = shiftBox(boxAroundCentre(placement, pickable.motif), placement);
    // The echoes laid last lie on top, so they are asked first.
    for (const steps of echoesTouching(lattice, box, window).reverse()) {
      const by = displacement(lattice, steps);
      if (isHit(placement, pickable, { x: point.x - placement.x - by.x, y: point.y - placement.y - by.y }, reach)) {
        found.push({ id: placement.id, steps });
      }
    }
  }
  return found;
}

function isHit(placement: Placement, { motif, silhouette }: Pickable, offset: Point, reach: number): boolean {
  const { view } = motif;
  const back = invert(shapeMatrix(placement, motif));
  if (!back) return false;
  const p = transform(back, offset);
  const u = (p.x - view.x) / view.width;
  const v = (p.y - view.y) / view.height;
  const across = reach / (motif.width * placement.scale);
  const near = { u: across, v: (across * view.width) / (view.height * placement.stretch) };
  if (!silhouette) return u >= -near.u && u <= 1 + near.u && v >= -near.v && v <= 1 + near.v;
  return isSolidNear(silhouette, u, v, near);
}
