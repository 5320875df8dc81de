import { channels, type Hex, oklabOfChannels } from '../colour/index.ts';
import { CORNERS, lowestNode, NODE_COUNT, nodeColour } from './colourCube.ts';
import { convexWeights } from './convexWeights.ts';

/** The colours that a picture is a mixture of. */
export interface PaletteTable {
  readonly palette: readonly Hex[];
  /** For each node of the colour cube the weight of each entry, 0 to 1; those of a node sum to 1. */
  readonly weights: Float32Array;
}

/** Palettes whose weights are kept: those of the pictures that one looks at. */
const MOST_KEPT = 8;
const kept = new Map<string, PaletteTable>();

/** The weights of a palette's entries in every colour; found once and kept. @param palette at least one colour, each once */
export function paletteTable(palette: readonly Hex[]): PaletteTable {
  const key = palette.join();
  const table = kept.get(key) ?? { palette, weights: weightsOf(palette) };
  kept.delete(key);
  kept.set(key, table);
  for (const oldest of kept.keys()) {
    if (kept.size <= MOST_KEPT) break;
    kept.delete(oldest);
  }
  return table;
}

/** The nodes around each entry. Where entries are so near that they share a node, the first has it. */
export function nodesOfEntries(palette: readonly Hex[]): ReadonlyMap<number, number> {
  const owners = new Map<number, number>();
  palette.forEach((entry, index) => {
    const lowest = lowestNode(...channels(entry));
    for (const corner of CORNERS) if (!owners.has(lowest + corner)) owners.set(lowest + corner, index);
  });
  return owners;
}

function weightsOf(palette: readonly Hex[]): Float32Array {
  const count = palette.length;
  const entries = palette.map((entry) => oklabOfChannels(...channels(entry)));
  const weightsAt = convexWeights(entries);
  const weights = new Float32Array(NODE_COUNT * count);
  for (let node = 0; node < NODE_COUNT; node++)
    weights.set(weightsAt(oklabOfChannels(...nodeColour(node))), node * count);
  // An entry is that entry alone, though it lies between nodes.
  for (const [node, owner] of nodesOfEntries(palette)) {
    weights.fill(0, node * count, (node + 1) * count);
    weights[node * count + owner] = 1;
  }
  return weights;
}
