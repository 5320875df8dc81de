import { mixed, string, type InferType } from 'yup';
import { between, type Immutable } from '../core/schema/index.ts';
import { exactly, route } from './route.ts';

export const jobIdSchema = string()
  .required()
  .matches(/^[\w-]{1,64}$/);
const byId = exactly({ id: jobIdSchema });

/** A piece of heavy work that someone waits for. */
export const jobSchema = exactly({
  id: jobIdSchema,
  kind: string().required(),
  state: string().oneOf(['running', 'done', 'failed', 'stopped']).required(),
  /** 0 to 1. */
  progress: between(0, 1),
  /** What went wrong, as a sentence. */
  message: string().nullable().defined(),
  /** What the finished work tells; null until then. */
  result: mixed<object>().nullable().defined(),
});

export type Job = Immutable<InferType<typeof jobSchema>>;

export const readJob = route({
  method: 'GET',
  path: '/jobs/{id}',
  summary: 'Tells how far a job is.',
  params: byId,
  answer: jobSchema,
  problems: [404],
});

export const followJob = route({
  method: 'GET',
  path: '/jobs/{id}/events',
  summary: 'Follows a job until it ends: a stream of its states.',
  params: byId,
  events: jobSchema,
  problems: [404],
});

export const stopJob = route({
  method: 'DELETE',
  path: '/jobs/{id}',
  summary: 'Stops a job and answers when it has stopped.',
  params: byId,
  answer: jobSchema,
  problems: [404],
});
