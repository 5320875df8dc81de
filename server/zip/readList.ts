import { readJson } from '../http/readJson.ts';
import { Problem } from '../problem.ts';

/**
 * Reads the list of what an archive holds.
 *
 * @param damaged the problem of an archive that is not whole
 * @throws Problem
 */
export function readList(content: Uint8Array, damaged: (why: string) => Problem): unknown {
  try {
    return readJson(Buffer.from(content));
  } catch (error) {
    throw error instanceof Problem ? damaged('its list cannot be read') : error;
  }
}
