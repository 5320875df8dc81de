import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { DRAFT_MARK } from './blobs.ts';
import type { DataFolder } from './dataFolder.ts';

/** Finished exports lie so long until they are fetched, ms. */
const EXPORT_MS = 24 * 3600_000;

/** Removes drafts that no process is writing any more: of kept files, of backups and checks. To be called when the folder was just taken. */
export function clearDrafts({ path, blobs, backups }: DataFolder): void {
  for (const entry of readdirSync(blobs, { recursive: true, withFileTypes: true }))
    if (entry.isFile() && entry.name.includes(DRAFT_MARK)) rmSync(join(entry.parentPath, entry.name), { force: true });
  for (const folder of [path, ...(existsSync(backups) ? [backups] : [])])
    for (const name of readdirSync(folder))
      if (/-draft-|\.draft-/.test(name)) rmSync(join(folder, name), { recursive: true, force: true });
}

/** Removes exports that nobody fetched for a day. @param now as of the epoch, ms */
export function clearOldExports(exports: string, now = Date.now()): void {
  for (const name of readdirSync(exports)) {
    const path = join(exports, name);
    const { mtimeMs } = statSync(path);
    if (now - mtimeMs > EXPORT_MS) rmSync(path, { recursive: true, force: true });
  }
}
