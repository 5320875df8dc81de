import type { Design } from './design.ts';
import { inksOfGround } from './ground.ts';

const LISTS = ['inks', 'colourways', 'layers', 'guides', 'placements'] as const;

/** What makes a design one that could not be opened again, as a phrase: an id that two things share, or a reference that leads nowhere. */
export function faultOf(design: Design): string | undefined {
  const ids = new Map(LISTS.map((list) => [list, new Set(design[list].map(({ id }) => id))]));
  const shared = LISTS.find((list) => ids.get(list)?.size !== design[list].length);
  if (shared) return `two of its ${shared} share an id`;
  const { ground, inks, colourways, layers, placements } = design;
  if (layers.length === 0) return 'it has no layer';
  if (colourways.length === 0) return 'it has no colourway';
  if (inksOfGround(ground).some((ink) => !ids.get('inks')?.has(ink)))
    return 'its ground is an ink that it does not have';
  const incomplete = colourways.find(({ colours }) => inks.some(({ id }) => !Object.hasOwn(colours, id)));
  if (incomplete) return `the colourway “${incomplete.name}” lacks an ink`;
  if (placements.some(({ layer }) => !ids.get('layers')?.has(layer)))
    return 'a motif lies in a layer that it does not have';
  return undefined;
}
