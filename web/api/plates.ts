import * as contract from '../../contract/index.ts';
import { call } from './client.ts';

/** A design or a swatch as one plate for each ink. */
export function startPlates(wish: contract.JsonBodyOf<typeof contract.startPlates>): Promise<contract.Job> {
  return call(contract.startPlates, { body: wish });
}
