import { object } from 'yup';
import { layersSchema, sortByLayer } from '../layer.ts';
import { CommandError, type CommandKind, typeField } from './commandKind.ts';

const schema = object({ type: typeField('layers'), layers: layersSchema })
  .noUnknown()
  .required();

/** Replaces the list of layers; no placement may lose its layer. */
export const layers: CommandKind<typeof schema> = {
  schema,
  apply(design, { layers }) {
    if (layers.length === 0) throw new CommandError('a design needs a layer');
    const kept = new Set(layers.map(({ id }) => id));
    if (kept.size < layers.length) throw new CommandError('two layers share an id');
    const lost = design.placements.find(({ layer }) => !kept.has(layer));
    if (lost) throw new CommandError(`the motif ${lost.id} lies in the layer ${lost.layer}`);
    return { ...design, layers, placements: sortByLayer(layers, design.placements) };
  },
  invert: (design) => ({ type: 'layers', layers: design.layers }),
  writes: () => ['layers'],
  describe: () => 'changed the layers',
};
