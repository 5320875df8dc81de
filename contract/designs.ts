import { array, boolean, mixed, number, object, string, type InferType } from 'yup';
import { commandsSchema, designSchema } from '../core/document/index.ts';
import { repeatSchema } from '../core/lattice/index.ts';
import { idSchema, type Immutable, nameSchema, whole, ofWhole } from '../core/schema/index.ts';
import { designMotifSchema } from './motifs.ts';
import { exactly, FILE, route } from './route.ts';

/** A whole design of twenty thousand placements is some four megabytes. */
export const MOST_DESIGN_BYTES = 16 * 1024 * 1024;

const byId = exactly({ id: idSchema });
const revision = number().integer().min(1).required();
const saveId = string().required().min(8).max(64);

/** A design as it is stored. */
export const storedDesignSchema = exactly({ design: designSchema, revision, updatedAt: string().required() });

const designSummarySchema = exactly({
  id: idSchema,
  name: nameSchema,
  repeat: repeatSchema,
  revision,
  /** Placements. */
  motifs: whole(0, 1e6),
  updatedAt: string().required(),
});

const sinceSchema = exactly({
  revision,
  /** Oldest first; null where they are not kept any more. */
  saves: array(exactly({ save: saveId, commands: commandsSchema }))
    .nullable()
    .defined(),
  /** The other windows that have the design open. */
  others: array(exactly({ editing: boolean().required() })).required(),
});

const alternativeSchema = exactly({
  id: idSchema,
  name: nameSchema,
  keptAt: string().required(),
  motifs: whole(0, 1e6),
});

export type StoredDesign = Immutable<InferType<typeof storedDesignSchema>>;
/** What the studio's table shows of a design. */
export type DesignSummary = Immutable<InferType<typeof designSummarySchema>>;
/** What was done to a design since a revision, and who else has it open. */
export type Since = Immutable<InferType<typeof sinceSchema>>;
/** An arrangement of a design that was kept under a name. */
export type Alternative = Immutable<InferType<typeof alternativeSchema>>;

export const listDesigns = route({
  method: 'GET',
  path: '/designs',
  summary: 'Lists the designs, the one changed last first.',
  answer: array(designSummarySchema).required(),
  problems: [],
});

export const createDesign = route({
  method: 'POST',
  path: '/designs',
  summary: 'Creates a design: an empty one of a repeat, or one from a document of this or any earlier version.',
  limit: MOST_DESIGN_BYTES,
  body: object({
    name: nameSchema,
    repeat: repeatSchema.optional().default(undefined),
    document: mixed<object>().optional(),
  })
    .noUnknown()
    .required()
    .test(
      'one',
      'a new design needs a repeat or a document',
      ofWhole(({ repeat, document }) => (repeat === undefined) !== (document === undefined)),
    ),
  answer: storedDesignSchema,
  status: 201,
  problems: [413, 422],
});

export const readDesign = route({
  method: 'GET',
  path: '/designs/{id}',
  summary: 'Reads a design.',
  params: byId,
  answer: storedDesignSchema,
  problems: [404],
});

export const listDesignMotifs = route({
  method: 'GET',
  path: '/designs/{id}/motifs',
  summary: 'Lists the motifs that lie on the cloth of a design, also those deleted from the drawer, and their parts.',
  params: byId,
  answer: array(designMotifSchema).required(),
  problems: [404],
});

export const saveDesign = route({
  method: 'PATCH',
  path: '/designs/{id}',
  summary: 'Saves commands on top of a revision. A save counts once however often it arrives.',
  params: byId,
  limit: MOST_DESIGN_BYTES,
  body: exactly({ save: saveId, revision, commands: commandsSchema }),
  answer: exactly({ revision }),
  problems: [404, 409, 413, 422],
});

export const deleteDesign = route({
  method: 'DELETE',
  path: '/designs/{id}',
  summary: 'Deletes a design; it can be restored.',
  params: byId,
  problems: [404],
});

export const restoreDesign = route({
  method: 'POST',
  path: '/designs/{id}/restore',
  summary: 'Restores a deleted design.',
  params: byId,
  problems: [404],
});

export const readSince = route({
  method: 'GET',
  path: '/designs/{id}/since/{revision}',
  summary: 'Tells what was saved since a revision and which other windows are open; a window that asks is one of them.',
  params: exactly({ id: idSchema, revision: number().integer().min(1).required() }),
  query: object({ window: idSchema, editing: string().oneOf(['0', '1']).default('0') }).noUnknown(),
  answer: sinceSchema,
  problems: [404],
});

export const leaveDesign = route({
  method: 'POST',
  path: '/designs/{id}/windows/{window}/left',
  summary: 'Says that a window has closed the design.',
  params: exactly({ id: idSchema, window: idSchema }),
  problems: [],
});

export const readDesignPicture = route({
  method: 'GET',
  path: '/designs/{id}/picture',
  summary: 'A small PNG of the tile. A revision in the query keeps browsers from showing an earlier one.',
  params: byId,
  query: object({ revision: number().integer().min(1).optional() }).noUnknown(),
  answer: FILE,
  problems: [404],
});

export const listAlternatives = route({
  method: 'GET',
  path: '/designs/{id}/alternatives',
  summary: 'Lists the alternatives of a design, oldest first.',
  params: byId,
  answer: array(alternativeSchema).required(),
  problems: [404],
});

export const keepAlternative = route({
  method: 'POST',
  path: '/designs/{id}/alternatives',
  summary: 'Keeps an arrangement under a name: the design as it is saved, or a document of it.',
  params: byId,
  limit: MOST_DESIGN_BYTES,
  body: exactly({ name: nameSchema, document: mixed<object>().optional() }),
  answer: alternativeSchema,
  status: 201,
  problems: [404, 413, 422],
});

const alternativeParams = exactly({ id: idSchema, alternative: idSchema });

export const readAlternative = route({
  method: 'GET',
  path: '/designs/{id}/alternatives/{alternative}',
  summary: 'Reads the document of an alternative.',
  params: alternativeParams,
  answer: designSchema,
  problems: [404],
});

export const renameAlternative = route({
  method: 'PATCH',
  path: '/designs/{id}/alternatives/{alternative}',
  summary: 'Renames an alternative.',
  params: alternativeParams,
  body: exactly({ name: nameSchema }),
  answer: alternativeSchema,
  problems: [404],
});

export const deleteAlternative = route({
  method: 'DELETE',
  path: '/designs/{id}/alternatives/{alternative}',
  summary: 'Deletes an alternative.',
  params: alternativeParams,
  problems: [404],
});
