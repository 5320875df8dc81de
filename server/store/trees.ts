import { copyFile, link, mkdir, readdir, rmdir, stat, unlink } from 'node:fs/promises';
import { join } from 'node:path';

// One file at a time and never at once: removing a thousand files takes some disks seconds, and whoever else reads or writes one
// must not wait for that.

/** Removes a folder with all that is in it, if it is there. */
export async function removeTree(folder: string): Promise<void> {
  const entries = await readdir(folder, { withFileTypes: true }).catch(unlessGone);
  if (!entries) return;
  for (const entry of entries) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) await removeTree(path);
    else await unlink(path).catch(unlessGone);
  }
  await rmdir(folder).catch(unlessGone);
}

/**
 * Gives each file of a folder another name in a new one, which takes no room; copies it where the disk knows no links.
 *
 * @param isKept says by its name whether a file comes along
 */
export async function linkTree(from: string, to: string, isKept: (name: string) => boolean): Promise<void> {
  await mkdir(to, { recursive: true });
  for (const entry of await readdir(from, { withFileTypes: true })) {
    const [source, target] = [join(from, entry.name), join(to, entry.name)];
    if (entry.isDirectory()) await linkTree(source, target, isKept);
    else if (isKept(entry.name)) await link(source, target).catch(() => copyFile(source, target));
  }
}

/** Bytes of the files in a folder, at all depths. */
export async function sizeOfTree(folder: string): Promise<number> {
  let bytes = 0;
  for (const entry of await readdir(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    bytes += entry.isDirectory() ? await sizeOfTree(path) : ((await stat(path).catch(unlessGone))?.size ?? 0);
  }
  return bytes;
}

function unlessGone(error: NodeJS.ErrnoException): undefined {
  if (error.code !== 'ENOENT') throw error;
}
