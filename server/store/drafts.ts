import { mkdirSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { nanoid } from 'nanoid';

/**
 * Where files lie that are not finished: bodies under way, and what a process makes of them. It is beside the blobs, on the same
 * disk, so that what is finished is renamed and not copied; it is emptied at each start.
 */
export function draftsBeside(blobs: string): string {
  return join(dirname(blobs), 'drafts');
}

/** A name for a file or folder of drafts that nothing has yet. */
export function newDraft(drafts: string): string {
  return join(drafts, nanoid());
}

/** Begins with no drafts: whoever wrote those that are there has ended. */
export function clearDraftFolder(drafts: string): void {
  rmSync(drafts, { recursive: true, force: true });
  mkdirSync(drafts, { recursive: true });
}
