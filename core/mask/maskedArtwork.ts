import { type Box, growBox, IDENTITY } from '../geometry/index.ts';
import {
  type Artwork,
  artworkBounds,
  boxOfView,
  type GroupNode,
  type PathSink,
  type PathText,
  Pen,
  tracePath,
  unionOf,
} from '../motif/index.ts';
import type { MaskArea, MaskedRecipe } from '../recipe/index.ts';
import { combinePaths, type Combining } from '../shapes/index.ts';

/** How each area changes what is seen. */
const COMBININGS: Readonly<Record<MaskArea['deed'], Combining>> = { hide: 'cut', show: 'join', keep: 'overlap' };
/** A fade is as wide as so many standard deviations of its Gaussian: from 2 to 98 %. */
const SIGMAS = 4;

const skip = (): void => undefined;
const NOWHERE: PathSink = {
  moveTo: skip,
  lineTo: skip,
  quadraticCurveTo: skip,
  bezierCurveTo: skip,
  closePath: skip,
};

/**
 * The artwork without what its mask hides. Its view stays as it is, so that it lies where it lay.
 *
 * @throws RangeError where nothing is left to see
 * @throws SyntaxError where an area is no path
 */
export function maskedArtwork(
  artwork: Artwork,
  { areas, softness }: Pick<MaskedRecipe, 'areas' | 'softness'>,
): Artwork {
  const drawn = artworkBounds(artwork.nodes, IDENTITY);
  if (areas.length === 0 || !drawn) return artwork;
  const path = areas.reduce<PathText>((seen, area) => {
    // The engine of paths would read what is no path as far as it can.
    tracePath(area.path, NOWHERE);
    return combinePaths(seen, area.path, COMBININGS[area.deed]);
  }, frameAround(artwork));
  const group: GroupNode = {
    kind: 'group',
    matrix: IDENTITY,
    opacity: 1,
    clip: [{ path, rule: 'nonzero', matrix: IDENTITY }],
    ...(softness > 0 && { softness: softness / SIGMAS }),
    children: artwork.nodes,
  };
  if (!combinePaths(path, boxPath(drawn), 'overlap')) throw new RangeError('nothing is left to see');
  return { ...artwork, nodes: [group] };
}

/** An outline about all that is drawn, so far away that its own edge neither cuts nor fades any of it. */
export function frameAround({ view, nodes }: Artwork): PathText {
  const box = unionOf([boxOfView(view), artworkBounds(nodes, IDENTITY)]) ?? boxOfView(view);
  return boxPath(growBox(box, 2 * Math.max(box.right - box.left, box.bottom - box.top)));
}

function boxPath({ left, top, right, bottom }: Box): PathText {
  return new Pen().move(left, top).line(right, top).line(right, bottom).line(left, bottom).close().toString();
}
