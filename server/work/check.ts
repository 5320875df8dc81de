import { readFileSync } from 'node:fs';
import type { Schema } from 'yup';
import { FILE, ROUTES } from '../../contract/index.ts';
import { readJson } from '../http/readJson.ts';
import type { CheckTask } from './tasks.ts';

/** Reads JSON that was sent and holds it against the schema of its route. @returns its value @throws Problem, ValidationError */
export function check(task: CheckTask): unknown {
  const { route } = task;
  const body = ROUTES[route]?.body;
  if (body === undefined || body === FILE) throw new RangeError(`no JSON is sent to ${route}`);
  const json = 'file' in task ? readFileSync(task.file) : Buffer.from(task.json);
  return (body as Schema).validateSync(readJson(json), { strict: true });
}
