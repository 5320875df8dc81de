import { array, type InferType } from 'yup';
import { idSchema, type Immutable, nameSchema } from '../core/schema/index.ts';
import { exactly, FILE, route } from './route.ts';

const MOST_FONT_BYTES = 20 * 1024 * 1024;

const fontSchema = exactly({
  id: idSchema,
  /** The name by which drawings ask for it. */
  family: nameSchema,
  /** “Regular”, “Bold Italic” and the like. */
  style: nameSchema,
});
/** A font of the studio’s own. */
export type Font = Immutable<InferType<typeof fontSchema>>;

const byId = exactly({ id: idSchema });

export const listFonts = route({
  method: 'GET',
  path: '/fonts',
  summary: 'Lists the studio’s own fonts by family and style.',
  answer: array(fontSchema).required(),
  problems: [],
});

export const importFont = route({
  method: 'POST',
  path: '/fonts',
  summary: 'Adds a font (TTF, OTF or WOFF2) to the studio; one of the same family and style is replaced.',
  query: exactly({ name: nameSchema }),
  body: FILE,
  limit: MOST_FONT_BYTES,
  answer: fontSchema,
  status: 201,
  problems: [413, 415, 422],
});

export const deleteFont = route({
  method: 'DELETE',
  path: '/fonts/{id}',
  summary: 'Takes a font out of the studio. Motifs set in it keep their letters; it can be restored.',
  params: byId,
  problems: [404],
});

export const restoreFont = route({
  method: 'POST',
  path: '/fonts/{id}/restore',
  summary: 'Restores a font.',
  params: byId,
  problems: [404],
});
