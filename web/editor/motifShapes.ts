import { type Outline, outlineOf } from '../../core/check/index.ts';
import { asDrawn } from '../../core/document/index.ts';
import { compose, scalingMatrix, translationMatrix } from '../../core/geometry/index.ts';
import { type Artwork, type Motif, type Silhouette, silhouetteOf } from '../../core/motif/index.ts';
import { type CanvasBackend, paintArtwork } from '../../core/paint/index.ts';
import { BODY_ALPHA, type CircleCover, coverWithCircles, mainInk, type Tossable } from '../../core/toss/index.ts';
import type { ArtworkStore } from '../cloth/artworkStore.ts';
import { browserSurface } from '../cloth/browserBackend.ts';

/** Places along the longer side of a motif's raster. */
const RASTER = 160;

/** A motif as it is tossed and as distances are measured from it. */
export interface Shape extends Tossable {
  readonly outline: Outline;
}

/** The shapes of motifs, each made once. */
export class MotifShapes {
  readonly #shapes = new Map<string, Shape>();

  constructor(readonly shelf: ArtworkStore) {}

  async of(motif: Motif): Promise<Shape> {
    const key = `${motif.artwork} ${motif.width}`;
    const kept = this.#shapes.get(key);
    if (kept) return kept;
    const { artwork } = await this.shelf.fetch(motif);
    const { view } = artwork;
    const scale = RASTER / Math.max(view.width, view.height);
    const [width, height] = [Math.max(1, Math.round(view.width * scale)), Math.max(1, Math.round(view.height * scale))];
    const data = pixelsOf(artwork, width, height, this.shelf.backend);
    const shape = lazyShape(silhouetteOf(data, width, height, BODY_ALPHA), motif, mainInk(data, motif.inks));
    this.#shapes.set(key, shape);
    return shape;
  }
}

/** A motif's artwork by itself, as it was drawn: RGBA. */
export function pixelsOf(
  { view, nodes }: Artwork,
  width: number,
  height: number,
  backend: CanvasBackend,
): Uint8ClampedArray {
  const surface = browserSurface(width, height);
  paintArtwork(
    surface.context,
    nodes,
    compose(scalingMatrix(width / view.width, height / view.height), translationMatrix(-view.x, -view.y)),
    { backend, resolve: asDrawn, width, height },
  );
  return surface.context.getImageData(0, 0, width, height).data;
}

/** A toss asks for rounds and a check for outlines; either takes a while, and is made when it is asked for. */
function lazyShape(silhouette: Silhouette, motif: Motif, ink: string): Shape {
  let rounds: CircleCover | undefined;
  let outline: Outline | undefined;
  return {
    ink,
    get rounds() {
      return (rounds ??= coverWithCircles(silhouette, motif));
    },
    get outline() {
      return (outline ??= outlineOf(silhouette, motif));
    },
  };
}
