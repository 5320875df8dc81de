import { array, mixed, number, string, type InferType } from 'yup';
import { type Immutable, whole } from '../core/schema/index.ts';
import { jobIdSchema, jobSchema } from './jobs.ts';
import { exactly, FILE, route } from './route.ts';

const backupSchema = exactly({
  /** ISO 8601. */
  madeAt: string().required(),
  bytes: number().integer().min(0).required(),
  /** Asked for, or made by itself each day. */
  kind: string().oneOf(['asked', 'daily']).required(),
});

/** A studio's database and files as they were at one moment, in one file. */
export type ListedBackup = Immutable<InferType<typeof backupSchema>>;

export const listBackups = route({
  method: 'GET',
  path: '/backups',
  summary: 'Lists the backups that were made, the last first.',
  answer: array(backupSchema).required(),
  problems: [],
});

export const startBackup = route({
  method: 'POST',
  path: '/backups',
  summary: 'Writes a backup of the whole studio into one file, which is kept for a day to be fetched.',
  answer: jobSchema,
  result: exactly({
    /** Where the file is fetched from. */
    href: string().required(),
    fileName: string().required(),
    bytes: number().integer().min(0).required(),
  }),
  status: 202,
  problems: [429],
});

export const readBackup = route({
  method: 'GET',
  path: '/backups/{id}/file',
  summary: 'Downloads a backup.',
  params: exactly({ id: jobIdSchema }),
  answer: FILE,
  problems: [404, 410],
});

export const startCheck = route({
  method: 'POST',
  path: '/checks',
  summary: 'Reads every design, swatch, motif and file, and says what is damaged.',
  answer: jobSchema,
  result: exactly({
    /** How many things of each kind were looked at. */
    seen: mixed<Readonly<Record<string, number>>>().required(),
    faults: array(
      exactly({ what: string().required(), wrong: string().required(), help: string().required() }),
    ).required(),
    /** How many files nothing names; they are removed after a day. */
    unnamed: whole(0, 1e9),
  }),
  status: 202,
  problems: [429],
});
