import { asDrawn } from '../../core/document/index.ts';
import { compose, scalingMatrix, translationMatrix } from '../../core/geometry/index.ts';
import { type DrawnMotif, type Silhouette, silhouetteOf } from '../../core/motif/index.ts';
import { type CanvasBackend, paintArtwork } from '../../core/paint/index.ts';
import { browserSurface } from './browserBackend.ts';

/** Long side of a silhouette, pixels. */
const SIDE = 128;

/** Paints a motif's silhouette, so that picking follows the drawing and not its box. */
export function paintSilhouette({ artwork }: DrawnMotif, backend: CanvasBackend): Silhouette {
  const { view } = artwork;
  const scale = SIDE / Math.max(view.width, view.height);
  const width = Math.max(1, Math.round(view.width * scale));
  const height = Math.max(1, Math.round(view.height * scale));
  const { context } = browserSurface(width, height);
  const matrix = compose(scalingMatrix(width / view.width, height / view.height), translationMatrix(-view.x, -view.y));
  paintArtwork(context, artwork.nodes, matrix, { backend, resolve: asDrawn, width, height });
  return silhouetteOf(context.getImageData(0, 0, width, height).data, width, height);
}
