// Parts of the server that run by themselves begin without the loader that it has: they are started as they were built, where
// whoever runs them says so, and else from their sources.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { root } from './ready.mjs';

/**
 * @param built the part's name below the folder that the server was built into
 * @param source where its source is, from the root
 */
export async function startPart(built, source) {
  const folder = process.env.HEVREL_BUILT;
  if (folder) {
    await import(pathToFileURL(join(folder, `${built}.mjs`)).href);
    return;
  }
  const { register } = await import('tsx/esm/api');
  register();
  await import(pathToFileURL(join(root, source)).href);
}
