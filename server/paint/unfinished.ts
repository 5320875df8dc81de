import { rmSync } from 'node:fs';

/** Where a file is written until it is whole. */
export function partOf(file: string): string {
  return `${file}.part`;
}

/** Where what was painted lies until it is encoded. */
export function scratchOf(part: string): string {
  return `${part}.scratch`;
}

/** Removes what is left of a file that was never finished. */
export function removeUnfinished(file: string): void {
  for (const path of [partOf(file), scratchOf(partOf(file))]) rmSync(path, { force: true });
}
