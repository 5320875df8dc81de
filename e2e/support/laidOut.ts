import { serve } from '../../server/serve.ts';
import { emptyFolder } from '../../server/testing/emptyFolder.ts';
import { LAID_OUT } from './hevrel.ts';
import { removeFolder } from '../../server/testing/folders.ts';

/** Lays the samples out once, before any browser test, for all of them to begin with a copy. */
export default async function setup(): Promise<() => void> {
  const data = emptyFolder();
  const serving = await serve({ port: 0, host: '127.0.0.1', data, empty: false }, undefined, () => undefined);
  await serving.close();
  process.env[LAID_OUT] = data;
  return () => removeFolder(data);
}
