import { array, number, object, string } from 'yup';
import { MOST_SHEET_COLUMNS } from '../core/sheet/index.ts';
import { PAPER_NAMES } from '../core/units/index.ts';
import { between, idSchema, whole } from '../core/schema/index.ts';
import { jobSchema } from './jobs.ts';
import { exactly, route } from './route.ts';

export const MOST_ON_SHEETS = 300;

export const startSheet = route({
  method: 'POST',
  path: '/sheets',
  summary: 'Draws swatches on sheets of paper with their names, sizes, steps and colours, as a PDF or one long PNG.',
  body: object({
    swatches: array(idSchema).required().min(1).max(MOST_ON_SHEETS),
    /** At each of which every swatch is shown; 1 is true size. */
    scales: array(between(0.02, 10)).required().min(1).max(6),
    paper: string().oneOf(PAPER_NAMES).required(),
    columns: whole(1, MOST_SHEET_COLUMNS),
    format: string()
      .oneOf(['pdf', 'png'] as const)
      .required(),
  })
    .noUnknown()
    .required(),
  answer: jobSchema,
  result: exactly({
    href: string().required(),
    fileName: string().required(),
    bytes: number().required(),
    pages: whole(1, 1e4),
  }),
  status: 202,
  problems: [404, 422, 429],
});
