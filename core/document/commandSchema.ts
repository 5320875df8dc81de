import { array, lazy, mixed, number, object, string, type ISchema, type Schema } from 'yup';
import type { Command } from './command.ts';
import {
  guidesSchema,
  hexSchema,
  idSchema,
  inkSchema,
  layersSchema,
  layoutSchema,
  MOST_PLACEMENTS,
  nameSchema,
  placementChangeSchema,
  placementSchema,
  recordOf,
  repeatSchema,
  tossSchema,
} from './schema.ts';

const ids = array(idSchema).required().max(MOST_PLACEMENTS);

/** The fields of each kind of command; `type` is added to each. */
const FIELDS: Readonly<Record<Command['type'], () => Record<string, ISchema<unknown>>>> = {
  insert: () => ({
    placements: array(object({ index: number().integer().min(0).required(), placement: placementSchema }).noUnknown())
      .required()
      .max(MOST_PLACEMENTS),
  }),
  remove: () => ({ ids }),
  change: () => ({ changes: recordOf(placementChangeSchema) }),
  repeat: () => ({ repeat: repeatSchema }),
  layers: () => ({ layers: layersSchema }),
  guides: () => ({ guides: guidesSchema }),
  toss: () => ({ toss: tossSchema }),
  layout: () => ({ layout: layoutSchema }),
  ground: () => ({ ground: idSchema.optional().nullable().defined() }),
  'add-inks': () => ({ inks: array(inkSchema).required().max(1000), colours: recordOf(hexSchema) }),
  'remove-inks': () => ({ ids }),
  colour: () => ({ colourway: idSchema, ink: idSchema, colour: hexSchema }),
  name: () => ({ name: nameSchema }),
  all: () => ({ commands: array(lazy(commandSchemaOf)).required().max(1000) }),
};

const commandSchemas = new Map<string, Schema>(
  Object.entries(FIELDS).map(([type, fields]) => [
    type,
    object({ type: string().required(), ...fields() })
      .noUnknown()
      .required(),
  ]),
);
const unknownCommand = mixed().test('known', '${path} is no command that is known', () => false);

function commandSchemaOf(value: unknown): Schema {
  const type = (value as { type?: unknown } | null | undefined)?.type;
  return (typeof type === 'string' && commandSchemas.get(type)) || unknownCommand;
}

/** The commands of one save. */
export const commandsSchema = array(lazy(commandSchemaOf)).required().min(1).max(10_000);
