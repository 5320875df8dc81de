import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openStudio } from '../studio.ts';
import { copyFolder, removeFolder } from './folders.ts';

/** Names a data folder with its tables and nothing in them, to be copied. */
const EMPTY = 'HEVREL_EMPTY_FOLDER';

/** Vitest's global setup: sets up one database, which takes seconds; each test then copies it, which takes a moment. */
export default async function setup(): Promise<(() => void) | undefined> {
  // Another project of the same run has done it.
  if (process.env[EMPTY] !== undefined) return undefined;
  const folder = mkdtempSync(join(tmpdir(), 'hevrel-empty-'));
  const studio = await openStudio(folder);
  await studio.close();
  process.env[EMPTY] = folder;
  return () => removeFolder(folder);
}

/** A new data folder with nothing in it, set up already where the global setup ran. Whoever asks for it removes it. */
export function emptyFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'hevrel-studio-'));
  const empty = process.env[EMPTY];
  if (empty !== undefined) copyFolder(empty, folder);
  return folder;
}
