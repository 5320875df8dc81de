import { unzip } from 'fflate';
import { Problem } from '../problem.ts';

/** A packed file can claim to be far smaller than what it unfolds into. */
const MOST_FILES = 20_000;
const MOST_BYTES = 600 * 1024 * 1024;

/**
 * Unpacks a ZIP that comes from elsewhere.
 *
 * @param what it is to be, for what is said of one that is too large
 * @param damaged the problem of a file that is no ZIP or cut short
 * @throws Problem
 */
export async function unpackZip(
  content: Uint8Array,
  what: string,
  damaged: (why: string) => Problem,
): Promise<Map<string, Uint8Array>> {
  let [count, bytes] = [0, 0];
  const fits = ({ originalSize }: { originalSize: number }): boolean => {
    count += 1;
    bytes += originalSize;
    return count <= MOST_FILES && bytes <= MOST_BYTES;
  };
  let entries: Record<string, Uint8Array>;
  try {
    entries = await new Promise((resolve, reject) =>
      unzip(content, { filter: fits }, (error, data) => (error ? reject(error) : resolve(data))),
    );
  } catch {
    throw damaged('it is no ZIP or cut short');
  }
  if (count > MOST_FILES || bytes > MOST_BYTES)
    throw new Problem(
      413,
      'Too large',
      `This ${what} would unpack into more than ${MOST_BYTES / 1024 / 1024} MB. Nothing was taken from it; write it in parts.`,
    );
  return new Map(Object.entries(entries));
}
