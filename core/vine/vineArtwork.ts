import { bundleArtwork } from '../bundle/index.ts';
import { type Box, growBox, IDENTITY, translationMatrix } from '../geometry/index.ts';
import {
  type Artwork,
  type ArtworkNode,
  type DrawnMotif,
  pathBounds,
  type PathNode,
  type PathText,
  rectanglePath,
  transformPath,
  unionOf,
} from '../motif/index.ts';
import type { VineRecipe } from '../recipe/index.ts';
import { branchOutline } from './branchOutline.ts';
import { fadingVine } from './fadingVine.ts';
import { VineCurve } from './vineCurve.ts';
import { vineOutline } from './vineOutline.ts';
import { vineParts } from './vineParts.ts';

/**
 * The artwork of one period of a vine, in mm: its branches, the vine over them, and its leaves on top. Its view is even about (0, 0),
 * so that a vine that is bent stays where it lies.
 *
 * @throws RangeError where a leaf's motif is not among `drawn`
 */
export function vineArtwork(recipe: VineRecipe, drawn: ReadonlyMap<string, DrawnMotif>): Artwork {
  const curve = new VineCurve(recipe);
  const { ink, opacity, fadesTo } = recipe;
  const filled = (path: PathText): PathNode => ({
    kind: 'path',
    path,
    rule: 'nonzero',
    strokeFirst: false,
    fill: { kind: 'ink', ink, opacity },
  });
  const stems = [
    ...recipe.branches.map((branch) => filled(branchOutline(curve, branch))),
    ...(fadesTo ? fadingVine(curve, ink, fadesTo, opacity) : [filled(vineOutline(curve))]),
  ];
  const motifs = new Map([...drawn].map(([id, { motif }]) => [id, motif]));
  for (const { motif } of recipe.leaves)
    if (!drawn.has(motif)) throw new RangeError(`the motif ${motif} is not at hand`);
  const leaves = bundleArtwork(vineParts(recipe, motifs), drawn);
  const box = unionOf(stems.map(({ path }) => pathBounds(path)));
  const half = {
    x: Math.max(0.05, leaves.view.width / 2, Math.abs(box?.left ?? 0), Math.abs(box?.right ?? 0)),
    y: Math.max(0.05, leaves.view.height / 2, Math.abs(box?.top ?? 0), Math.abs(box?.bottom ?? 0)),
  };
  return {
    version: 1,
    view: { x: -half.x, y: -half.y, width: 2 * half.x, height: 2 * half.y },
    nodes: [...passing(stems, recipe, box), ...leaves.nodes],
  };
}

/** How far the clip of a pass reaches beyond the vine, mm. */
const AROUND = 5;

/** The stems with what they leave free: clipped, pass by pass, to all that lies outside of it, in this period and those beside it. */
function passing(stems: readonly PathNode[], { passes = [], period }: VineRecipe, box: Box | undefined): ArtworkNode[] {
  const around = box && rectanglePath(growBox(box, AROUND));
  return passes.reduce<ArtworkNode[]>(
    (nodes, { free }) => {
      const freed = [-1, 0, 1].map((n) => transformPath(free, translationMatrix(n * period.x, n * period.y)));
      const clip = { path: [around, ...freed].join(' '), rule: 'evenodd', matrix: IDENTITY } as const;
      return [{ kind: 'group', matrix: IDENTITY, opacity: 1, clip: [clip], children: nodes }];
    },
    [...stems],
  );
}
