import { channels, channelsOfOklab, type Hex, oklabOfChannels } from '../colour/index.ts';
import { interpolate, nearestNode, nodesAround, NODE_COUNT, nodeColour } from './colourCube.ts';
import type { Mixing } from './mixing.ts';
import type { PaletteTable } from './paletteTable.ts';

/**
 * Recolours pixels when the entries of their palette become other colours: every pixel moves in OKLab by the mean of what the entries
 * move, weighted as the pixel mixes them (after Chang and others, 2015). What a pixel had beside the palette it keeps. A pixel of an
 * entry's own colour becomes exactly the new one, neighbouring colours stay neighbours, and where nothing changes no pixel does.
 *
 * @param data RGBA, not premultiplied; changed in place, alpha stays
 * @param inks the new colours, one for each entry
 * @param mixing how; by shares or by the nearest entry, a pixel is nothing but the inks
 */
export function recolour(
  data: Uint8ClampedArray,
  table: PaletteTable,
  inks: readonly Hex[],
  mixing: Mixing = 'eye',
): void {
  if (mixing === 'eye' && inks.every((ink, n) => ink === table.palette[n])) return;
  const nodes = nodesAround(data);
  table.require(nodes);
  if (mixing === 'shares') {
    mixShares(data, table, inks, nodes);
    return;
  }
  if (mixing === 'nearest') {
    takeNearest(data, table, inks);
    return;
  }
  interpolate(movesTo(table, inks, nodes), data, (pixel, r, g, b) => {
    const at = 4 * pixel;
    data[at] = (data[at] as number) + r;
    data[at + 1] = (data[at + 1] as number) + g;
    data[at + 2] = (data[at + 2] as number) + b;
  });
}

/** By how much each channel changes at nodes. Beyond sRGB the curve goes on: only what is interpolated is cut off. */
function movesTo(
  { palette, weights, owners }: PaletteTable,
  inks: readonly Hex[],
  nodes: readonly number[],
): Float32Array {
  const count = palette.length;
  const shifts = palette.map((entry, n) => {
    const [from, to] = [entry, inks[n] ?? entry].map((colour) => oklabOfChannels(...channels(colour)));
    return [0, 1, 2].map((axis) => (to?.[axis] ?? 0) - (from?.[axis] ?? 0));
  });
  const moves = new Float32Array(3 * NODE_COUNT);
  for (const node of nodes) {
    const owner = owners.get(node);
    if (owner !== undefined) {
      // Beside an entry all moves are the entry's own, so that its colour becomes the new one to the digit.
      const [from, to] = [channels(palette[owner] as Hex), channels(inks[owner] ?? (palette[owner] as Hex))];
      moves.set(
        to.map((channel, axis) => channel - (from[axis] as number)),
        3 * node,
      );
      continue;
    }
    const [l, a, b] = [0, 1, 2].map((axis) => {
      let sum = 0;
      for (let n = 0; n < count; n++) sum += (weights[node * count + n] as number) * (shifts[n]?.[axis] as number);
      return sum;
    });
    if (!l && !a && !b) continue;
    const from = nodeColour(node);
    const lab = oklabOfChannels(...from);
    const to = channelsOfOklab(lab[0] + (l ?? 0), lab[1] + (a ?? 0), lab[2] + (b ?? 0));
    for (let axis = 0; axis < 3; axis++) moves[3 * node + axis] = (to[axis] as number) - (from[axis] as number);
  }
  return moves;
}

/** Gives each pixel the inks in the shares in which it mixes their entries. */
function mixShares(
  data: Uint8ClampedArray,
  { weights }: PaletteTable,
  inks: readonly Hex[],
  nodes: readonly number[],
): void {
  const colours = inks.map(channels);
  const mixtures = new Float32Array(3 * NODE_COUNT);
  for (const node of nodes)
    for (let axis = 0; axis < 3; axis++) {
      let sum = 0;
      for (const [n, colour] of colours.entries())
        sum += (weights[node * inks.length + n] as number) * (colour[axis] as number);
      mixtures[3 * node + axis] = sum;
    }
  interpolate(mixtures, data, (pixel, r, g, b) => {
    const at = 4 * pixel;
    data[at] = r;
    data[at + 1] = g;
    data[at + 2] = b;
  });
}

/** Gives each pixel the ink of the entry that it has most of. */
function takeNearest(data: Uint8ClampedArray, { weights }: PaletteTable, inks: readonly Hex[]): void {
  const colours = inks.map(channels);
  for (let at = 0; at < data.length; at += 4) {
    const node = nearestNode(data[at] as number, data[at + 1] as number, data[at + 2] as number) * inks.length;
    let most = 0;
    for (let n = 1; n < inks.length; n++)
      if ((weights[node + n] as number) > (weights[node + most] as number)) most = n;
    data.set(colours[most] as readonly [number, number, number], at);
  }
}
