import { closeSync, openSync, readSync } from 'node:fs';
import { stat } from 'node:fs/promises';
import { hashFile } from './hashFile.ts';

/** A file from elsewhere, on the disk: it is read only in the processes of the pool. */
export interface SourceFile {
  readonly path: string;
  readonly bytes: number;
  /** Hexadecimal digits. */
  readonly sha256: string;
}

/** Describes a file that lies on this disk. */
export async function sourceFileAt(path: string): Promise<SourceFile> {
  return { path, bytes: (await stat(path)).size, sha256: await hashFile(path) };
}

/** The first bytes of a file, of which there are at most so many. */
export function headOfFile(path: string, most: number): Buffer {
  const head = Buffer.alloc(most);
  const file = openSync(path, 'r');
  try {
    return head.subarray(0, readSync(file, head, 0, most, 0));
  } finally {
    closeSync(file);
  }
}
