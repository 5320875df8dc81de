import { channels, type Hex, oklabOfChannels } from '../colour/index.ts';
import { CORNERS, lowestNode, NODE_COUNT, nodeColour } from './colourCube.ts';
import { convexWeights, type Lab } from './convexWeights.ts';

/** The colours that a picture is a mixture of, and how much of each is in every colour. */
export class PaletteTable {
  /** For each node of the colour cube that was asked for the weight of each entry, 0 to 1; those of a node sum to 1. */
  readonly weights: Float32Array;
  /** The entry that has a node beside its colour to itself. Where entries are so near that they share one, the first has it. */
  readonly owners: ReadonlyMap<number, number>;
  readonly #known = new Uint8Array(NODE_COUNT);
  readonly #weightsOf: (colour: Lab) => Float64Array;

  /** @param palette at least one colour, each once */
  constructor(readonly palette: readonly Hex[]) {
    this.weights = new Float32Array(NODE_COUNT * palette.length);
    this.#weightsOf = convexWeights(palette.map((entry) => oklabOfChannels(...channels(entry))));
    const owners = new Map<number, number>();
    palette.forEach((entry, index) => {
      const lowest = lowestNode(...channels(entry));
      for (const corner of CORNERS) if (!owners.has(lowest + corner)) owners.set(lowest + corner, index);
    });
    this.owners = owners;
  }

  /** Finds the weights of nodes: only those of colours that are there, since a picture has few of all. */
  require(nodes: readonly number[]): void {
    const count = this.palette.length;
    for (const node of nodes) {
      if (this.#known[node]) continue;
      this.#known[node] = 1;
      const owner = this.owners.get(node);
      // An entry is that entry alone, though it lies between nodes.
      if (owner === undefined) this.weights.set(this.#weightsOf(oklabOfChannels(...nodeColour(node))), node * count);
      else this.weights[node * count + owner] = 1;
    }
  }
}

/** Palettes whose weights are kept: those of the pictures that one looks at. */
const MOST_KEPT = 8;
const kept = new Map<string, PaletteTable>();

/** The table of a palette, kept for the next time. */
export function paletteTable(palette: readonly Hex[]): PaletteTable {
  const key = palette.join();
  const table = kept.get(key) ?? new PaletteTable(palette);
  kept.delete(key);
  kept.set(key, table);
  for (const oldest of kept.keys()) {
    if (kept.size <= MOST_KEPT) break;
    kept.delete(oldest);
  }
  return table;
}
