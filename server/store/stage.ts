import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { syncPath } from './sync.ts';

/**
 * Where a process of the pool keeps files until its task is done: what it began and did not finish is then gone with one folder, and
 * nothing of it is ever among the blobs.
 */
export class Stage {
  /** Of the process that works on one task at a time; none in the server, whose files are finished when they are kept. */
  static current: Stage | undefined;

  readonly #pathOf = new Map<string, string>();

  /** @param folder of this task alone; made when something is first kept */
  constructor(readonly folder: string) {}

  /** Where a file lies that is kept under an address, until it is published. */
  pathOf(address: string): string | undefined {
    return this.#pathOf.has(address) ? join(this.folder, address) : undefined;
  }

  /** Where a file is to be written that is published as `path`. */
  add(address: string, path: string): string {
    mkdirSync(this.folder, { recursive: true });
    this.#pathOf.set(address, path);
    return join(this.folder, address);
  }

  /** Moves all that was kept to where it is looked for. */
  publish(): void {
    const folders = new Set<string>();
    for (const [address, path] of this.#pathOf) {
      const folder = dirname(path);
      if (!existsSync(folder)) {
        mkdirSync(folder, { recursive: true });
        folders.add(dirname(folder));
      }
      renameSync(join(this.folder, address), path);
      folders.add(folder);
    }
    for (const folder of folders) syncPath(folder);
    this.#pathOf.clear();
    this.remove();
  }

  remove(): void {
    rmSync(this.folder, { recursive: true, force: true });
  }
}
