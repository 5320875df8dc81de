import { execFileSync } from 'node:child_process';

/** Copies a folder; a program of its own does so in a fraction of the time that Node takes for a thousand files. */
export function copyFolder(from: string, to: string): void {
  execFileSync('cp', ['-R', `${from}/.`, to]);
}

/** Removes a folder, or several, with all that is in them, where they are there. As fast. */
export function removeFolder(...folders: readonly string[]): void {
  execFileSync('rm', ['-rf', '--', ...folders]);
}
