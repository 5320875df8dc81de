import Flatbush from 'flatbush';
import { boxAroundCentre, type Placement, shapeMatrix, type Shown, shownBy } from '../document/index.ts';
import { type Box, invert, type Point, shiftBox, transform } from '../geometry/index.ts';
import { indicesTouching, type Lattice, type LatticeIndex, latticeTranslate } from '../lattice/index.ts';
import { isSolidNear, type Motif, type Silhouette } from '../motif/index.ts';

/** A motif as far as picking is concerned. */
export interface Pickable {
  readonly motif: Pick<Motif, 'width' | 'view'>;
  /** Its box counts where the silhouette is not known yet. */
  readonly silhouette: Silhouette | undefined;
}

/** An instance of a placement. */
export interface Instance {
  readonly id: string;
  readonly index: LatticeIndex;
  /** Which of the lattice's images it shows; the motif itself where missing. */
  readonly op?: number;
}

/**
 * Says what lies under a point of the cloth. Boxes are found through an R-tree over one cell, so that asking costs the
 * same however much lies on the cloth; building it costs some milliseconds for thousands.
 */
export class Picker {
  readonly #cell: Box;
  readonly #tree: Flatbush | undefined;
  /** Which placement each box of the tree is of. */
  readonly #owners: number[] = [];
  readonly #shown: readonly Shown[];

  /** @param motifs whose silhouettes may still arrive; their sizes may not change */
  constructor(
    readonly placements: readonly Placement[],
    readonly motifs: ReadonlyMap<string, Pickable>,
    readonly lattice: Lattice,
  ) {
    this.#cell = { left: 0, top: 0, right: lattice.domain.width, bottom: lattice.domain.height };
    this.#shown = shownBy(lattice, placements);
    const boxes: Box[] = [];
    this.#shown.forEach(({ placement }, n) => {
      const pickable = motifs.get(placement.motif);
      if (!pickable) return;
      const box = shiftBox(boxAroundCentre(placement, pickable.motif), placement);
      for (const steps of indicesTouching(lattice, box, this.#cell)) {
        boxes.push(shiftBox(box, latticeTranslate(lattice, steps)));
        this.#owners.push(n);
      }
    });
    if (boxes.length === 0) return;
    this.#tree = new Flatbush(boxes.length);
    for (const { left, top, right, bottom } of boxes) this.#tree.add(left, top, right, bottom);
    this.#tree.finish();
  }

  /**
   * Every instance drawn within `reach` of a point, topmost first.
   *
   * @param point mm on the plane, anywhere
   * @param reach mm; small motifs would be hard to hit exactly
   */
  at(point: Point, reach: number): Instance[] {
    const window = { left: point.x - reach, top: point.y - reach, right: point.x + reach, bottom: point.y + reach };
    const instances: Instance[] = [];
    for (const n of this.#near(window)) {
      const { placement, op } = this.#shown[n] as Shown;
      const pickable = this.motifs.get(placement.motif);
      if (!pickable) continue;
      const box = shiftBox(boxAroundCentre(placement, pickable.motif), placement);
      // The instances laid last lie on top, so they are asked first.
      for (const steps of indicesTouching(this.lattice, box, window).reverse()) {
        const by = latticeTranslate(this.lattice, steps);
        if (isHit(placement, pickable, { x: point.x - placement.x - by.x, y: point.y - placement.y - by.y }, reach)) {
          instances.push(toInstance(placement.id, steps, op));
        }
      }
    }
    return instances;
  }

  /** The placements of which an instance's box may touch the window, topmost first. */
  #near(window: Box): number[] {
    const near = new Set<number>();
    // Everywhere that the window, brought back by the lattice, looks into the cell.
    for (const steps of indicesTouching(this.lattice, window, this.#cell)) {
      const { left, top, right, bottom } = shiftBox(window, latticeTranslate(this.lattice, steps));
      for (const box of this.#tree?.search(left, top, right, bottom) ?? []) near.add(this.#owners[box] as number);
    }
    return [...near].sort((a, b) => b - a);
  }
}

/** An instance, which says nothing of an image where it shows the motif itself. */
export function toInstance(id: string, index: LatticeIndex, op: number): Instance {
  return op === 0 ? { id, index } : { id, index, op };
}

function isHit(placement: Placement, { motif, silhouette }: Pickable, offset: Point, reach: number): boolean {
  const { view } = motif;
  const back = invert(shapeMatrix(placement, motif));
  if (!back) return false;
  const p = transform(back, offset);
  const u = (p.x - view.x) / view.width;
  const v = (p.y - view.y) / view.height;
  const across = reach / (motif.width * placement.scale);
  const near = { u: across, v: (across * view.width) / (view.height * placement.aspect) };
  if (!silhouette) return u >= -near.u && u <= 1 + near.u && v >= -near.v && v <= 1 + near.v;
  return isSolidNear(silhouette, u, v, near);
}
