import { asDrawn } from '../../core/document/index.ts';
import { contourLoops } from '../../core/draw/index.ts';
import { compose, type Point, scalingMatrix, translationMatrix } from '../../core/geometry/index.ts';
import type { Artwork } from '../../core/motif/index.ts';
import { type CanvasBackend, paintArtwork } from '../../core/paint/index.ts';
import { browserSurface } from './browserBackend.ts';

/** Pixels along the longer side of the picture that the outline is found in, and around it. */
const [SIDE, BORDER] = [1200, 2];
/** Where half of a pixel is covered its edge runs. */
const HALF = 127.5;

/** The outline of all that artwork paints, shapes and pictures alike, in its own units: right to a tenth of a pixel of 1,200. */
export function silhouetteLoops({ view, nodes }: Artwork, backend: CanvasBackend): Point[][] {
  const scale = SIDE / Math.max(view.width, view.height);
  const width = Math.ceil(view.width * scale) + 2 * BORDER;
  const height = Math.ceil(view.height * scale) + 2 * BORDER;
  const { context } = browserSurface(width, height);
  const matrix = compose(
    translationMatrix(BORDER, BORDER),
    compose(scalingMatrix(scale, scale), translationMatrix(-view.x, -view.y)),
  );
  paintArtwork(context, nodes, matrix, { backend, resolve: asDrawn, width, height });
  const { data } = context.getImageData(0, 0, width, height);
  const alpha = new Float64Array(width * height);
  for (let n = 0; n < alpha.length; n += 1) alpha[n] = data[4 * n + 3] as number;
  return contourLoops(alpha, width, height, HALF).map((loop) =>
    loop.map(({ x, y }) => ({ x: (x - BORDER) / scale + view.x, y: (y - BORDER) / scale + view.y })),
  );
}
