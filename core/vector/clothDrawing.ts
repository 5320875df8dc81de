import { boxAroundCentre, type Layer, type Placement, shapeMatrix } from '../document/index.ts';
import { type Box, compose, type Matrix, shiftBox, translationMatrix } from '../geometry/index.ts';
import { indicesTouching, latticeOf, latticeTranslate, type Repeat, toFundamentalDomain } from '../lattice/index.ts';
import type { DrawnMotif } from '../motif/index.ts';
import type { Scene } from '../paint/index.ts';

/** One motif as it is seen at one place. */
export interface DrawnInstance {
  readonly placement: Placement;
  readonly motif: DrawnMotif;
  /** From the artwork's units to mm of the cloth. */
  readonly matrix: Matrix;
}

/** Instances that follow each other in the stacking order, all of one layer that is laid down as one, or of none. */
export interface DrawnRun {
  readonly layer: Layer | undefined;
  readonly instances: readonly DrawnInstance[];
}

/** More instances than this no program opens with pleasure. */
export const MOST_DRAWN_INSTANCES = 50_000;

/**
 * Everything of a scene that is seen in a rectangle of the cloth, bottom to top, in the order in which the painter lays it.
 *
 * @param window mm
 * @throws RangeError where that is more than MOST_DRAWN_INSTANCES
 */
export function drawnRuns(scene: Scene, repeat: Repeat, window: Box): DrawnRun[] {
  const lattice = latticeOf(repeat);
  const runs: { layer: Layer | undefined; instances: DrawnInstance[] }[] = [];
  let count = 0;
  for (const placement of scene.placements) {
    const motif = scene.motifs.get(placement.motif);
    if (!motif || placement.opacity === 0) continue;
    const centre = toFundamentalDomain(lattice, placement);
    const shape = shapeMatrix(placement, motif.motif);
    const steps = indicesTouching(lattice, shiftBox(boxAroundCentre(placement, motif.motif), centre), window);
    count += steps.length;
    if (count > MOST_DRAWN_INSTANCES)
      throw new RangeError(`more than ${MOST_DRAWN_INSTANCES} motifs would be seen in it`);
    const layer = scene.groups.get(placement.layer);
    let run = runs.at(-1);
    if (!run || run.layer !== layer) runs.push((run = { layer, instances: [] }));
    for (const step of steps) {
      const by = latticeTranslate(lattice, step);
      run.instances.push({
        placement,
        motif,
        matrix: compose(translationMatrix(centre.x + by.x, centre.y + by.y), shape),
      });
    }
  }
  return runs.filter(({ instances }) => instances.length > 0);
}
