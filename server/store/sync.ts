import { closeSync, fsyncSync, openSync, readdirSync, renameSync, rmSync, writeSync } from 'node:fs';
import { open, rename } from 'node:fs/promises';
import { dirname, join } from 'node:path';

/** Waits until a file, or the list of names in a folder, is on the disk. */
export function syncPath(path: string): void {
  const file = openSync(path, 'r');
  try {
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
}

/** Waits until all that is in a folder is on the disk. */
export function syncTree(folder: string): void {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) syncTree(path);
    else syncPath(path);
  }
  syncPath(folder);
}

/** Gives a finished file the name that it is looked for under: the content first, then the name, so that no cut leaves half a file. */
export async function publish(draft: string, path: string): Promise<void> {
  const file = await open(draft, 'r');
  try {
    await file.sync();
  } finally {
    await file.close();
  }
  await rename(draft, path);
  syncPath(dirname(path));
}

/** Writes a file and waits until its content is on the disk; where it cannot be written whole, nothing of it is left. */
export function writeSynced(path: string, content: Uint8Array): void {
  const file = openSync(path, 'w');
  let isWhole = false;
  try {
    for (let at = 0; at < content.length;) at += writeSync(file, content, at);
    fsyncSync(file);
    isWhole = true;
  } finally {
    closeSync(file);
    if (!isWhole) rmSync(path, { force: true });
  }
}

/** Writes a file whole or not at all, and waits until it is on the disk. */
export function writeDurably(path: string, draft: string, content: Uint8Array | string): void {
  writeSynced(draft, Buffer.from(content));
  renameSync(draft, path);
  syncPath(dirname(path));
}
