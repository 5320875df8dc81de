import { LRUCache } from 'lru-cache';
import { asDrawn } from '../../core/document/index.ts';
import {
  type Box,
  compose,
  IDENTITY,
  intersectBoxes,
  scalingMatrix,
  translationMatrix,
} from '../../core/geometry/index.ts';
import {
  type Artwork,
  artworkBounds,
  boxOfView,
  rectanglePath,
  viewOfBox,
  type ArtworkNode,
  everyNode,
  outlineBounds,
  picturesOf,
  type View,
} from '../../core/motif/index.ts';
import { type CanvasBackend, paintArtwork, type Picture } from '../../core/paint/index.ts';
import { nodeBackend, nodePicture, nodeSurface, pixelsOf } from '../paint/nodeBackend.ts';
import type { Blobs } from '../store/blobs.ts';

/** Long side of the raster in which the drawn extent is found. */
const PROBE = 1024;
const THUMBNAIL = 256;

/**
 * The artwork with its view brought in to what is drawn. What the file's own frame cuts off stays cut off.
 *
 * @returns undefined where nothing can be seen
 */
export async function trimmed(artwork: Artwork, blobs: Blobs): Promise<Artwork | undefined> {
  const backend = await easelFor(artwork, blobs);
  const { view } = artwork;
  const bounds = artworkBounds(artwork.nodes, IDENTITY);
  // The file's own frame, and as much around it as shows whether anything reaches beyond.
  const seen = bounds && intersectBoxes(bounds, boxOfView(view));
  const around = bounds && intersectBoxes(bounds, boxOfView(twiceAsLarge(view)));
  if (!seen || !around) return undefined;
  if (isFlat(artwork.nodes)) {
    const exact = outlineBounds(artwork.nodes, IDENTITY);
    if (exact && isWithin(exact, boxOfView(view))) return { ...artwork, view: viewOfBox(exact) };
  }
  const nodes = reachesBeyond(artwork, around, backend) ? [framed(artwork)] : artwork.nodes;
  // A picture is looked at in whole pixels of its own, so that a cut-out is trimmed exactly.
  const isPicture = nodes.every(({ kind }) => kind === 'picture');
  const drawn = drawnExtent(nodes, isPicture ? view : viewOfBox(seen), backend, isPicture);
  return drawn && { version: 1, view: drawn, nodes };
}

/** Whether the artwork is fills alone, which reach as far as their outlines do. */
function isFlat(nodes: readonly ArtworkNode[]): boolean {
  for (const node of everyNode(nodes)) {
    if (node.kind === 'picture') return false;
    if (node.kind === 'group' && (node.clip !== undefined || node.opacity === 0)) return false;
    if (node.kind === 'path' && (node.stroke !== undefined || node.fill?.kind !== 'ink' || node.fill.opacity === 0))
      return false;
  }
  return true;
}

function isWithin(inner: Box, outer: Box): boolean {
  return (
    inner.right > inner.left &&
    inner.bottom > inner.top &&
    inner.left >= outer.left &&
    inner.top >= outer.top &&
    inner.right <= outer.right &&
    inner.bottom <= outer.bottom
  );
}

/** Whether anything is drawn outside the artwork's view that has to be cut off. */
function reachesBeyond({ view, nodes }: Artwork, around: Box, backend: CanvasBackend): boolean {
  const slack = Math.max(view.width, view.height) * 0.004;
  const isBeyond = ({ left, top, right, bottom }: Box): boolean =>
    left < view.x - slack ||
    top < view.y - slack ||
    right > view.x + view.width + slack ||
    bottom > view.y + view.height + slack;
  // Bounds are never too small, so most drawings need not be looked at.
  if (!isBeyond(around)) return false;
  const drawn = drawnExtent(nodes, viewOfBox(around), backend, false);
  return drawn !== undefined && isBeyond(boxOfView(drawn));
}

function twiceAsLarge({ x, y, width, height }: View): View {
  return { x: x - width / 2, y: y - height / 2, width: width * 2, height: height * 2 };
}

/** A small picture of the artwork as drawn, PNG, on a transparent ground. */
export async function paintThumbnail(artwork: Artwork, blobs: Blobs): Promise<Buffer> {
  return paintPicture(artwork, blobs, THUMBNAIL / Math.max(artwork.view.width, artwork.view.height));
}

/** A picture of the artwork as drawn, PNG, on a transparent ground; `scale` is pixels to a unit of the artwork. */
export async function paintPicture(artwork: Artwork, blobs: Blobs, scale: number): Promise<Buffer> {
  return painted(artwork.nodes, artwork.view, scale, await easelFor(artwork, blobs)).canvas.encode('png');
}

function framed({ view, nodes }: Artwork): ArtworkNode {
  const path = rectanglePath(boxOfView(view));
  return {
    kind: 'group',
    matrix: IDENTITY,
    opacity: 1,
    clip: [{ path, rule: 'nonzero', matrix: IDENTITY }],
    children: nodes,
  };
}

function painted(
  nodes: readonly ArtworkNode[],
  view: View,
  scale: number,
  backend: CanvasBackend,
): ReturnType<typeof nodeSurface> {
  const width = Math.max(1, Math.ceil(view.width * scale));
  const height = Math.max(1, Math.ceil(view.height * scale));
  const sheet = nodeSurface(width, height);
  paintArtwork(sheet.context, nodes, compose(scalingMatrix(scale, scale), translationMatrix(-view.x, -view.y)), {
    backend,
    resolve: asDrawn,
    width,
    height,
  });
  return sheet;
}

/** The part of the view in which anything is drawn, to a pixel of the probe. */
function drawnExtent(
  nodes: readonly ArtworkNode[],
  view: View,
  backend: CanvasBackend,
  inWholePixels: boolean,
): View | undefined {
  const long = Math.max(view.width, view.height);
  if (!(long > 0)) return undefined;
  const scale = inWholePixels ? 1 / Math.ceil(long / PROBE) : PROBE / long;
  const sheet = painted(nodes, view, scale, backend);
  const { width, height } = sheet.canvas;
  const pixels = pixelsOf(sheet);
  let [left, top, right, bottom] = [width, height, 0, 0];
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      if (pixels[(y * width + x) * 4 + 3] === 0) continue;
      left = Math.min(left, x);
      top = Math.min(top, y);
      right = Math.max(right, x + 1);
      bottom = Math.max(bottom, y + 1);
    }
  }
  if (left >= right) return undefined;
  const edge = {
    right: Math.min(view.x + view.width, view.x + right / scale),
    bottom: Math.min(view.y + view.height, view.y + bottom / scale),
  };
  const x = view.x + left / scale;
  const y = view.y + top / scale;
  return { x, y, width: edge.right - x, height: edge.bottom - y };
}

/** The pictures of the artwork that was last looked at: what is trimmed is then painted small, and large pictures take a gigabyte. */
const easels = new LRUCache<string, Promise<CanvasBackend>>({ max: 1 });

function easelFor(artwork: Artwork, blobs: Blobs): Promise<CanvasBackend> {
  const addresses = picturesOf(artwork);
  const key = addresses.join();
  const there = easels.get(key);
  if (there) return there;
  const easel = (async () => {
    const pictures = new Map<string, Picture>();
    for (const blob of addresses) pictures.set(blob, await nodePicture(await blobs.read(blob)));
    return nodeBackend(pictures);
  })();
  easels.set(key, easel);
  easel.catch(() => easels.delete(key));
  return easel;
}
