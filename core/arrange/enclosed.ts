import { boxAroundCentre, shapeMatrix, type Placement } from '../document/placement.ts';
import { boxAround, shiftBox } from '../geometry/box.ts';
import { transform } from '../geometry/matrix.ts';
import type { Point } from '../geometry/point.ts';
import { edgePointsOf } from '../motif/silhouette.ts';
import { echoesTouching } from '../repeat/echoes.ts';
import { displacement, type Lattice } from '../repeat/lattice.ts';
import type { Appearance, Pickable } from './pick.ts';

/**
 * The placements of which some appearance is drawn wholly within a loop, in stack order, each once and by the first
 * such appearance.
 *
 * @param loop corners in mm on the plane, across any number of repeats; closed by itself
 */
export function enclosed(placements: readonly Placement[], motifs: ReadonlyMap<string, Pickable>, lattice: Lattice, loop: readonly Point[]): Appearance[] {
  if (loop.length < 3) return [];
  const window = boxAround(loop);
  const found: Appearance[] = [];
  for (const placement of placements) {
    const pickable = motifs.get(placement.motif);
    if (!pickable) continue;
    const outline = outlineOf(placement, pickable);
    const box = shiftBox(boxAroundCentre(placement, pickable.motif), placement);
    const steps = echoesTouching(lattice, box, window).find((one) => {
      const by = displacement(lattice, one);
      return outline.every(({ x, y }) => isWithin(loop, x + by.x, y + by.y));
    });
    if (steps) found.push({ id: placement.id, steps });
  }
  return found;
}

/** Points round what is drawn of a placement, mm on the plane. */
function outlineOf(placement: Placement, { motif, silhouette }: Pickable): Point[] {
  const { view } = motif;
  const matrix = shapeMatrix(placement, motif);
  const corners = [{ u: 0, v: 0 }, { u: 1, v: 0 }, { u: 1, v: 1 }, { u: 0, v: 1 }];
  return (silhouette ? edgePointsOf(silhouette) : corners).map(({ u, v }) => {
    const p = transform(matrix, { x: view.x + u * view.width, y: view.y + v * view.height });
    return { x: p.x + placement.x, y: p.y + placement.y };
  });
}

/** Even-odd rule. */
function isWithin(loop: readonly Point[], x: number, y: number): boolean {
  let within = false;
  for (let i = 0, j = loop.length - 1; i < loop.length; j = i, i += 1) {
    const [a, b] = [loop[i] as Point, loop[j] as Point];
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) within = !within;
  }
  return within;
}
