/** Nodes of the cube along each channel. */
const NODES = 33;
/** All nodes, red the slowest. */
export const NODE_COUNT = NODES ** 3;
const STEP = 255 / (NODES - 1);

/** The node at or below each 8-bit channel, and how far it lies beyond that, 0 to 1. */
const BELOW = Uint8Array.from({ length: 256 }, (_, n) => Math.min(NODES - 2, Math.floor(n / STEP)));
const BEYOND = Float64Array.from({ length: 256 }, (_, n) => n / STEP - (BELOW[n] as number));

/** The eight nodes around a colour as steps from the lowest one. */
export const CORNERS = [0, 1, NODES, NODES + 1, NODES ** 2, NODES ** 2 + 1, NODES ** 2 + NODES, NODES ** 2 + NODES + 1];

/** The channels of a node, 0 to 255, not whole. */
export function nodeColour(node: number): readonly [number, number, number] {
  return [Math.floor(node / NODES ** 2) * STEP, (Math.floor(node / NODES) % NODES) * STEP, (node % NODES) * STEP];
}

/** The lowest of the eight nodes around a colour of 8-bit channels. */
export function lowestNode(r: number, g: number, b: number): number {
  return ((BELOW[r] as number) * NODES + (BELOW[g] as number)) * NODES + (BELOW[b] as number);
}

/** The nodes around all colours of some pixels, each once. @param data RGBA, not premultiplied */
export function nodesAround(data: Uint8ClampedArray): number[] {
  const lowest = new Uint8Array(NODE_COUNT);
  for (let at = 0; at < data.length; at += 4)
    lowest[lowestNode(data[at] as number, data[at + 1] as number, data[at + 2] as number)] = 1;
  const isAround = new Uint8Array(NODE_COUNT);
  for (let node = 0; node < NODE_COUNT; node++)
    if (lowest[node]) for (const corner of CORNERS) isAround[node + corner] = 1;
  const nodes: number[] = [];
  for (let node = 0; node < NODE_COUNT; node++) if (isAround[node]) nodes.push(node);
  return nodes;
}

/** The node nearest to a colour of 8-bit channels. */
export function nearestNode(r: number, g: number, b: number): number {
  return (Math.round(r / STEP) * NODES + Math.round(g / STEP)) * NODES + Math.round(b / STEP);
}

/**
 * What numbers at the nodes of a cube of all colours come to at each pixel, interpolated in the tetrahedron of nodes around its
 * colour (Kasson and others, 1995): no step anywhere, whatever the numbers are.
 *
 * @param table three numbers for each node
 * @param data RGBA, not premultiplied
 * @param take is given each pixel and its numbers
 */
export function interpolate(
  table: Float32Array,
  data: Uint8ClampedArray,
  take: (pixel: number, x: number, y: number, z: number) => void,
): void {
  const [red, green, blue] = [3 * NODES ** 2, 3 * NODES, 3];
  const all = red + green + blue;
  let last = -1;
  let x = 0;
  let y = 0;
  let z = 0;
  for (let pixel = 0, from = 0; from < data.length; pixel++, from += 4) {
    const r = data[from] as number;
    const g = data[from + 1] as number;
    const b = data[from + 2] as number;
    const colour = (r << 16) | (g << 8) | b;
    // Flat areas are long runs of one colour.
    if (colour !== last) {
      last = colour;
      const fr = BEYOND[r] as number;
      const fg = BEYOND[g] as number;
      const fb = BEYOND[b] as number;
      const most = Math.max(fr, fg, fb);
      const least = Math.min(fr, fg, fb);
      const middle = fr + fg + fb - most - least;
      const first = fr === most ? red : fg === most ? green : blue;
      // The channel that comes last is left out; where two are as far, either way gives the same.
      const left = fb === least ? blue : fg === least ? green : red;
      const p = 3 * lowestNode(r, g, b);
      const q = p + first;
      const t = p + all;
      const s = t - left;
      const u = 1 - most;
      const v = most - middle;
      const w = middle - least;
      x = u * (table[p] as number) + v * (table[q] as number) + w * (table[s] as number) + least * (table[t] as number);
      y =
        u * (table[p + 1] as number) +
        v * (table[q + 1] as number) +
        w * (table[s + 1] as number) +
        least * (table[t + 1] as number);
      z =
        u * (table[p + 2] as number) +
        v * (table[q + 2] as number) +
        w * (table[s + 2] as number) +
        least * (table[t + 2] as number);
    }
    take(pixel, x, y, z);
  }
}
