import { cornersAround, shapeMatrix } from '../document/index.ts';
import { compose, translationMatrix } from '../geometry/index.ts';
import type { Artwork, ArtworkNode, DrawnMotif } from '../motif/index.ts';
import type { Part } from '../recipe/index.ts';

/**
 * The artwork of a bundle, in mm about its middle. Its view is even about the middle, so that a part that moves never
 * moves the others.
 *
 * @throws RangeError where a part's motif is not among `drawn`
 */
export function bundleArtwork(parts: readonly Part[], drawn: ReadonlyMap<string, DrawnMotif>): Artwork {
  let halfWidth = 0;
  let halfHeight = 0;
  const nodes = parts.map((part): ArtworkNode => {
    const drawnMotif = drawn.get(part.motif);
    if (!drawnMotif) throw new RangeError(`the motif ${part.motif} is not at hand`);
    for (const { x, y } of cornersAround(part, drawnMotif.motif)) {
      halfWidth = Math.max(halfWidth, Math.abs(x + part.x));
      halfHeight = Math.max(halfHeight, Math.abs(y + part.y));
    }
    const matrix = compose(translationMatrix(part.x, part.y), shapeMatrix(part, drawnMotif.motif));
    return { kind: 'group', matrix, opacity: part.opacity, children: drawnMotif.artwork.nodes };
  });
  return { version: 1, view: { x: -halfWidth, y: -halfHeight, width: 2 * halfWidth, height: 2 * halfHeight }, nodes };
}
