import { type Artwork, type ArtworkNode, everyNode } from './artwork.ts';
import { tracePath } from './pathData.ts';

/** Paths, pictures and groups in one artwork; a crowded scan that was traced has some 20,000. */
export const MOST_NODES = 100_000;
/** Commands of all its paths. */
export const MOST_PATH_COMMANDS = 400_000;
/** Groups within each other that are clipped or half-transparent: each is painted on a sheet of its own, as large as what it covers. */
export const DEEPEST_LAYERS = 24;

/**
 * Says what keeps an artwork from being painted, in a sentence's middle (“it has a path that …”); undefined where nothing does. Takes
 * time in proportion to the artwork.
 */
export function artworkFault({ nodes }: Artwork): string | undefined {
  let count = 0;
  let commands = 0;
  const add = (): void => void (commands += 1);
  const sink = { moveTo: add, lineTo: add, quadraticCurveTo: add, bezierCurveTo: add, closePath: add };
  try {
    for (const node of everyNode(nodes)) {
      count += 1;
      if (count > MOST_NODES) return `it has more than ${MOST_NODES.toLocaleString('en')} parts`;
      if (node.kind === 'path') tracePath(node.path, sink);
      if (node.kind === 'group') for (const { path } of node.clip ?? []) tracePath(path, sink);
      if (commands > MOST_PATH_COMMANDS)
        return `its outlines have more than ${MOST_PATH_COMMANDS.toLocaleString('en')} points`;
    }
  } catch (error) {
    if (error instanceof SyntaxError) return 'it has an outline that cannot be read';
    throw error;
  }
  if (layersIn(nodes) > DEEPEST_LAYERS)
    return `more than ${DEEPEST_LAYERS} clipped or half-transparent groups lie within each other`;
  return undefined;
}

/** How many sheets are painted on at the same time. */
function layersIn(nodes: readonly ArtworkNode[]): number {
  let deepest = 0;
  for (const node of nodes) {
    if (node.kind !== 'group') continue;
    const own = node.clip || node.opacity < 1 ? 1 : 0;
    deepest = Math.max(deepest, own + layersIn(node.children));
  }
  return deepest;
}
