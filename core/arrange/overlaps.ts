import { boxAroundCentre, type Placement, shapeMatrix, withSymmetry } from '../document/index.ts';
import { compose, invert, shiftBox, transform, translationMatrix } from '../geometry/index.ts';
import { indicesTouching, type Lattice, latticeTranslate } from '../lattice/index.ts';
import { isSolidNear } from '../motif/index.ts';
import type { Pickable } from './pick.ts';

/** Places looked at across and down a motif. */
const PLACES = 64;
const HERE = { u: 0.5 / PLACES, v: 0.5 / PLACES };

/** Whether what is drawn of two placements, any instances and reflections of them, lies over each other: as far as a raster of 64 × 64 places tells. */
export function overlaps(lattice: Lattice, a: Placement, b: Placement, motifs: ReadonlyMap<string, Pickable>): boolean {
  return withSymmetry(lattice, [b]).some((shown) => echoesOverlap(lattice, a, shown, motifs));
}

function echoesOverlap(lattice: Lattice, a: Placement, b: Placement, motifs: ReadonlyMap<string, Pickable>): boolean {
  const [over, under] = [motifs.get(a.motif), motifs.get(b.motif)];
  if (!over || !under) return false;
  const back = invert(shapeMatrix(b, under.motif));
  if (!back) return false;
  const [boxA, boxB] = [shiftBox(boxAroundCentre(a, over.motif), a), shiftBox(boxAroundCentre(b, under.motif), b)];
  return indicesTouching(lattice, boxB, boxA).some((steps) => {
    const by = latticeTranslate(lattice, steps);
    const across = compose(
      back,
      compose(translationMatrix(a.x - b.x - by.x, a.y - b.y - by.y), shapeMatrix(a, over.motif)),
    );
    for (let row = 0; row < PLACES; row += 1) {
      for (let column = 0; column < PLACES; column += 1) {
        const [u, v] = [(column + 0.5) / PLACES, (row + 0.5) / PLACES];
        if (over.silhouette && !isSolidNear(over.silhouette, u, v, HERE)) continue;
        const { view } = over.motif;
        const p = transform(across, { x: view.x + u * view.width, y: view.y + v * view.height });
        const [s, t] = [
          (p.x - under.motif.view.x) / under.motif.view.width,
          (p.y - under.motif.view.y) / under.motif.view.height,
        ];
        if (s < 0 || t < 0 || s > 1 || t > 1) continue;
        if (!under.silhouette || isSolidNear(under.silhouette, s, t, { u: 0, v: 0 })) return true;
      }
    }
    return false;
  });
}
