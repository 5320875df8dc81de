import { bundleArtwork } from '../bundle/index.ts';
import { IDENTITY } from '../geometry/index.ts';
import { frameAround } from '../mask/index.ts';
import { type Artwork, type ArtworkNode, type DrawnMotif, everyNode, type Paint, picturesOf } from '../motif/index.ts';
import type { Part, PartCombining } from '../recipe/index.ts';
import { combinePaths } from '../shapes/index.ts';
import { coveredOutline, unionOfPaths } from './coveredOutline.ts';

/**
 * The artwork of a bundle whose parts make one shape, or are cut by each other; in mm about its middle, where the parts lie. Joined, all
 * that they cover is in the colour of the lowest; cut, the lowest keeps all its colours.
 *
 * @throws RangeError where a part is not among `drawn`, where nothing is left to see, or where a picture would have to be cut by
 */
export function combinedArtwork(
  parts: readonly Part[],
  how: PartCombining,
  drawn: ReadonlyMap<string, DrawnMotif>,
): Artwork {
  const whole = bundleArtwork(parts, drawn);
  const [lowest, ...others] = whole.nodes;
  // One that is left alone is itself.
  if (!lowest || others.length === 0) return whole;
  if (how === 'join') {
    const path = coveredOutline(whole.nodes, IDENTITY);
    const fill = path && mainPaint(lowest);
    if (!fill) throw new RangeError('nothing is left to see');
    return { ...whole, nodes: [{ kind: 'path', path, rule: 'nonzero', strokeFirst: false, fill }] };
  }
  const outlines = others.map((node) => coveredOutline([node], IDENTITY));
  const seen =
    how === 'cut'
      ? combinePaths(frameAround(whole), unionOfPaths(outlines), 'cut')
      : outlines.reduce((common, outline) => combinePaths(common, outline, 'overlap'));
  const isSolid = picturesOf({ ...whole, nodes: [lowest] }).length > 0;
  if (!seen || (!isSolid && !combinePaths(coveredOutline([lowest], IDENTITY), seen, 'overlap')))
    throw new RangeError('nothing is left to see');
  const clip = [{ path: seen, rule: 'nonzero', matrix: IDENTITY }] as const;
  return { ...whole, nodes: [{ kind: 'group', matrix: IDENTITY, opacity: 1, clip, children: [lowest] }] };
}

/** What the first shape of an artwork is filled with, or its line drawn with: one ink, without its gradient. */
function mainPaint(node: ArtworkNode): Paint | undefined {
  for (const one of everyNode([node])) {
    const paint = one.kind === 'path' ? (one.fill ?? one.stroke?.paint) : undefined;
    const ink = paint && (paint.kind === 'ink' ? paint.ink : paint.stops[0]?.ink);
    if (ink) return { kind: 'ink', ink, opacity: 1 };
  }
  return undefined;
}
