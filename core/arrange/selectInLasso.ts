import { boxAroundCentre, type Placement, shapeMatrix, shownBy } from '../document/index.ts';
import { boxAround, compose, type Matrix, type Point, shiftBox, translationMatrix } from '../geometry/index.ts';
import { indicesTouching, type Lattice, latticeTranslate } from '../lattice/index.ts';
import { edgePointsOf } from '../motif/index.ts';
import { type Instance, type Pickable, toInstance } from './pick.ts';

/**
 * The placements of which some instance is drawn wholly within a loop, in stack order, each once and by the first
 * such instance.
 *
 * @param loop corners in mm on the plane, across any number of repeats; closed by itself
 */
export function selectInLasso(
  placements: readonly Placement[],
  motifs: ReadonlyMap<string, Pickable>,
  lattice: Lattice,
  loop: readonly Point[],
): Instance[] {
  if (loop.length < 3) return [];
  const window = boxAround(loop);
  const instances: Instance[] = [];
  const held = new Set<string>();
  for (const { placement, op } of shownBy(lattice, placements)) {
    if (held.has(placement.id)) continue;
    const pickable = motifs.get(placement.motif);
    if (!pickable) continue;
    const box = shiftBox(boxAroundCentre(placement, pickable.motif), placement);
    const steps = indicesTouching(lattice, box, window).find((index) => {
      const by = latticeTranslate(lattice, index);
      return isEnclosed(
        loop,
        pickable,
        compose(translationMatrix(placement.x + by.x, placement.y + by.y), shapeMatrix(placement, pickable.motif)),
      );
    });
    if (!steps) continue;
    held.add(placement.id);
    instances.push(toInstance(placement.id, steps, op));
  }
  return instances;
}

const CORNERS = [
  { u: 0, v: 0 },
  { u: 1, v: 0 },
  { u: 1, v: 1 },
  { u: 0, v: 1 },
];

/** Whether all that is drawn of a motif lies within the loop, placed by a matrix; most that do not are told by the first of their points. */
function isEnclosed(
  loop: readonly Point[],
  { motif: { view }, silhouette }: Pickable,
  [a, b, c, d, e, f]: Matrix,
): boolean {
  for (const { u, v } of silhouette ? edgePointsOf(silhouette) : CORNERS) {
    const x = view.x + u * view.width;
    const y = view.y + v * view.height;
    if (!isWithin(loop, a * x + c * y + e, b * x + d * y + f)) return false;
  }
  return true;
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
