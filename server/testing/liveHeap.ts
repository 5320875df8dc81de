import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';

/** Bytes that are held on to, once all that is not was collected. */
export function liveHeap(): number {
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as () => void;
  // What is collected first can free what it held.
  for (let n = 0; n < 3; n += 1) collect();
  const { heapUsed, external } = process.memoryUsage();
  return heapUsed + external;
}
