import type { Schema } from 'yup';
import { FILE, ROUTES } from '../../contract/index.ts';
import type { CheckTask } from './tasks.ts';

/** Holds JSON that was sent against the schema of its route. @throws ValidationError */
export function check({ route, json }: CheckTask): true {
  const body = ROUTES[route]?.body;
  if (body === undefined || body === FILE) throw new RangeError(`no JSON is sent to ${route}`);
  (body as Schema).validateSync(JSON.parse(Buffer.from(json).toString('utf8')), { strict: true });
  return true;
}
