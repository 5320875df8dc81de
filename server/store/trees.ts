import { copyFileSync, existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
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

/** Files of a copy by their paths in it, with when each was last changed, ms of the epoch. */
export type CopiedFiles = ReadonlyMap<string, number>;

/** A file changed so shortly before may change again without another time, ms: disks tell times by steps. */
const RECENT_MS = 2000;

/**
 * Copies a folder that is written to meanwhile: what changes then is copied by `completeCopy`.
 *
 * @returns what is copied and need not be again, unless it changes
 */
export async function copyTree(from: string, to: string, within = ''): Promise<CopiedFiles> {
  const copied = new Map<string, number>();
  await mkdir(join(to, within), { recursive: true });
  for (const entry of (await readdir(join(from, within), { withFileTypes: true }).catch(unlessGone)) ?? []) {
    const path = join(within, entry.name);
    if (entry.isDirectory()) {
      for (const [file, changed] of await copyTree(from, to, path)) copied.set(file, changed);
      continue;
    }
    // Before it is copied, so that what is written meanwhile counts as a change.
    const known = await stat(join(from, path)).catch(unlessGone);
    if (!known) continue;
    await copyFile(join(from, path), join(to, path)).catch(unlessGone);
    if (known.mtimeMs < Date.now() - RECENT_MS) copied.set(path, known.mtimeMs);
  }
  return copied;
}

/** Brings a copy up to date with a folder that nothing writes to now. */
export function completeCopy(from: string, to: string, copied: CopiedFiles, within = ''): void {
  mkdirSync(join(to, within), { recursive: true });
  for (const entry of readdirSync(join(from, within), { withFileTypes: true })) {
    const path = join(within, entry.name);
    if (entry.isDirectory()) completeCopy(from, to, copied, path);
    else if (copied.get(path) !== statSync(join(from, path)).mtimeMs) copyFileSync(join(from, path), join(to, path));
  }
  for (const name of readdirSync(join(to, within)))
    if (!existsSync(join(from, within, name))) rmSync(join(to, within, name), { recursive: true });
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
