import type { Command, Design, Layer } from '../document/index.ts';
import { moveIntoLayer } from './restack.ts';

/** The command that changes what is said of a layer. */
export function changeLayer({ layers }: Design, id: string, change: Partial<Omit<Layer, 'id'>>): Command {
  return { type: 'layers', layers: layers.map((layer) => (layer.id === id ? { ...layer, ...change } : layer)) };
}

/** The command that adds a layer directly above another, or on top where there is no such. */
export function addLayer({ layers }: Design, layer: Layer, above: string | undefined): Command {
  const under = layers.findIndex(({ id }) => id === above);
  return { type: 'layers', layers: layers.toSpliced(under < 0 ? layers.length : under + 1, 0, layer) };
}

/** The command that takes a layer away with all that lies in it; undefined of the last one, which stays. */
export function removeLayer({ layers, placements }: Design, id: string): Command | undefined {
  if (layers.length === 1) return undefined;
  const ids = placements.filter(({ layer }) => layer === id).map((placement) => placement.id);
  const rest: Command = { type: 'layers', layers: layers.filter((layer) => layer.id !== id) };
  return ids.length === 0 ? rest : { type: 'all', commands: [{ type: 'remove', ids }, rest] };
}

/** The layer below another, and the command that lays all of that on top of it and takes the other away; undefined of the lowest. */
export function mergeLayerDown(
  design: Design,
  id: string,
): { readonly below: Layer; readonly command: Command } | undefined {
  const { layers, placements } = design;
  const below = layers[layers.findIndex((layer) => layer.id === id) - 1];
  if (!below) return undefined;
  const held = placements.filter(({ layer }) => layer === id).map((placement) => placement.id);
  const rest: Command = { type: 'layers', layers: layers.filter((layer) => layer.id !== id) };
  return {
    below,
    command: held.length === 0 ? rest : { type: 'all', commands: [moveIntoLayer(design, held, below.id), rest] },
  };
}

/** The command that brings a layer to another place among the layers, 0 the bottom; undefined where it is there already. */
export function moveLayer({ layers }: Design, id: string, to: number): Command | undefined {
  const from = layers.findIndex((layer) => layer.id === id);
  const moved = layers[from];
  return moved && from !== to
    ? { type: 'layers', layers: layers.toSpliced(from, 1).toSpliced(to, 0, moved) }
    : undefined;
}
