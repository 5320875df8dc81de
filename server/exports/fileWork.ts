import { statSync } from 'node:fs';
import { type Job, type JsonBodyOf, pathOf, readExport, type ResultOf } from '../../contract/index.ts';
import type { JobContext } from '../store/jobs.ts';
import { exportFile, type Studio } from '../studio.ts';

/** A kind of file that is made by a job and fetched once it is done, for a route that answers with that job. */
export interface FileWork<Route, Plan> {
  /** The kind of its jobs. */
  readonly kind: string;
  /** Finds out what has to be made. @throws Problem where it cannot be made */
  plan(studio: Studio, wish: JsonBodyOf<Route>): Promise<Plan>;
  /** Makes it. @returns what is told of it */
  make(
    studio: Studio,
    plan: Plan,
    file: string,
    context: JobContext,
  ): Promise<Omit<ResultOf<Route>, 'href' | 'bytes'> & object>;
}

/** Plans a file, so that what cannot be made is refused at once, and starts a job that makes it. @throws Problem */
export async function startFile<Route, Plan>(
  studio: Studio,
  work: FileWork<Route, Plan>,
  wish: JsonBodyOf<Route> & object,
): Promise<Job> {
  const plan = await work.plan(studio, wish);
  return studio.jobs.start(work.kind, (context, id) => make(studio, work, plan, id, context), wish);
}

/** Says how files of a kind are made from what was asked for. */
export function registerFile<Route, Plan>(studio: Studio, work: FileWork<Route, Plan>): void {
  studio.jobs.register(work.kind, (wish) => async (context, id) => {
    // What was asked for was checked when it came.
    const plan = await work.plan(studio, wish as JsonBodyOf<Route>);
    return make(studio, work, plan, id, context);
  });
}

async function make<Route, Plan>(
  studio: Studio,
  work: FileWork<Route, Plan>,
  plan: Plan,
  id: string,
  context: JobContext,
): Promise<object> {
  const file = exportFile(studio, id);
  const made = await work.make(studio, plan, file, context);
  return { ...made, href: pathOf(readExport, { id }), bytes: statSync(file).size };
}
