import { array, number, string } from 'yup';
import { hexSchema } from '../core/colour/index.ts';
import { between, whole } from '../core/schema/index.ts';
import { separationOrderSchema } from '../core/separate/index.ts';
import { ofOneSource } from './exports.ts';
import { jobSchema } from './jobs.ts';
import { exactly, route } from './route.ts';

export const startPlates = route({
  method: 'POST',
  path: '/plates',
  summary: 'Takes the tile of a design or a swatch apart into one plate for each ink, for screen or block printing.',
  body: ofOneSource({ order: separationOrderSchema }),
  answer: jobSchema,
  result: exactly({
    href: string().required(),
    fileName: string().required(),
    bytes: number().required(),
    /** Pixels of the tile, without the margin. */
    width: whole(1, 1e6),
    height: whole(1, 1e6),
    /** In printing order. */
    plates: array(
      exactly({
        ink: string().required(),
        name: string().required(),
        colour: hexSchema,
        /** Share of the tile that it prints. */
        coverage: between(0, 1),
      }),
    ).required(),
    /** Shares of the tile: printed by all plates together, over the limit, left as paper, and printed twice without need. */
    total: between(0, 1e4),
    overLimit: between(0, 1),
    gaps: between(0, 1),
    overprints: between(0, 1),
  }),
  status: 202,
  problems: [404, 422, 429],
});
