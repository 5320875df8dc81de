import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, statSync, utimesSync } from 'node:fs';
import { copyFile, readFile, rm, utimes } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { LRUCache } from 'lru-cache';
import { nanoid } from 'nanoid';
import { Problem } from '../problem.ts';
import { hashFile } from './hashFile.ts';
import { Stage } from './stage.ts';
import { publish, syncPath, writeDurably, writeSynced } from './sync.ts';

/** Kinds of content that are kept, by ending. */
export type BlobKind = 'json' | 'png' | 'jpg' | 'webp' | 'svg' | 'svgz' | 'gif' | 'tif' | 'avif' | 'ttf';

const ADDRESS = /^[0-9a-f]{64}\.(json|png|jpg|webp|svgz?|gif|tif|avif|ttf)$/;
/** What stands between an address and the name of a file that is still being written. */
export const DRAFT_MARK = '.draft-';
/** So many addresses are remembered as sound; of the others it is looked at again. */
const MOST_REMEMBERED = 20_000;

/** Immutable files named by what is in them. What is read is held against its name, once for as long as the process runs. */
export class Blobs {
  /** Addresses that were found to hold what they name. */
  readonly #sound = new LRUCache<string, true>({ max: MOST_REMEMBERED });

  constructor(readonly folder: string) {}

  /** Keeps the content and returns its address; a file appears whole or not at all, and a damaged one is written again. */
  keep(content: Uint8Array | string, kind: BlobKind): string {
    const address = this.addressOf(content, kind);
    if (Stage.current?.pathOf(address)) return address;
    const path = this.#published(address);
    const bytes = Buffer.from(content);
    if (!holds(path, bytes)) {
      if (Stage.current) writeSynced(Stage.current.add(address, path), bytes);
      else {
        this.#makeFolder(path);
        writeDurably(path, `${path}${DRAFT_MARK}${nanoid(8)}`, bytes);
      }
    }
    this.#sound.set(address, true);
    return address;
  }

  /** Keeps a file that lies elsewhere, as `keep` does, without holding it in memory; it stays where it is. */
  async keepFile(file: string, kind: BlobKind): Promise<string> {
    const address: string = `${await hashFile(file)}.${kind}`;
    if (Stage.current?.pathOf(address)) return address;
    const path = this.#published(address);
    if (await this.#isKept(address, path)) return address;
    if (Stage.current) {
      const staged = Stage.current.add(address, path);
      await copyFile(file, staged);
      syncPath(staged);
    } else {
      this.#makeFolder(path);
      await copyWhole(file, `${path}${DRAFT_MARK}${nanoid(8)}`, path);
    }
    this.#sound.set(address, true);
    return address;
  }

  /** Says that a file is about to be named again, so that it is not swept away before that. */
  async touch(address: string): Promise<void> {
    await utimes(this.pathOf(address), new Date(), new Date());
  }

  async #isKept(address: string, path: string): Promise<boolean> {
    if (!existsSync(path)) return false;
    await this.touch(address);
    return this.isSound(address);
  }

  #makeFolder(path: string): void {
    const folder = dirname(path);
    if (existsSync(folder)) return;
    mkdirSync(folder, { recursive: true });
    syncPath(this.folder);
  }

  /** Where this content is kept, or would be. */
  addressOf(content: Uint8Array | string, kind: BlobKind): string {
    return `${createHash('sha256').update(content).digest('hex')}.${kind}`;
  }

  /** @throws Problem 500 where the file is damaged */
  async read(address: string): Promise<Buffer> {
    const content = await readFile(this.pathOf(address));
    if (!this.#sound.has(address)) this.#judge(address, createHash('sha256').update(content).digest('hex'));
    return content;
  }

  /** The path of a file that others read, held against its name. @throws Problem 500 where the file is damaged */
  async soundPathOf(address: string): Promise<string> {
    const path = this.pathOf(address);
    if (!this.#sound.has(address)) this.#judge(address, await hashFile(path));
    return path;
  }

  /** Whether a file is there and holds what its address names; looked at anew, however often it was read. */
  async isSound(address: string): Promise<boolean> {
    const isSound = this.has(address) && address.startsWith(await hashFile(this.pathOf(address)));
    if (!isSound) this.#sound.delete(address);
    return isSound;
  }

  has(address: string): boolean {
    return Blobs.isAddress(address) && existsSync(this.pathOf(address));
  }

  static isAddress(text: string): boolean {
    return ADDRESS.test(text);
  }

  /** Where the file of an address lies. @throws RangeError where it is none */
  pathOf(address: string): string {
    return Stage.current?.pathOf(address) ?? this.#published(address);
  }

  #published(address: string): string {
    if (!Blobs.isAddress(address)) throw new RangeError(`not a content address: ${address}`);
    return join(this.folder, address.slice(0, 2), address);
  }

  #judge(address: string, hash: string): void {
    if (!address.startsWith(hash))
      throw new Problem(
        500,
        'Damaged file',
        `A file of this studio is damaged on the disk (${address}). Nothing was changed; import the same file again, which mends it, or restore a backup. “npm run check” lists all that is damaged.`,
      );
    this.#sound.set(address, true);
  }
}

/** Whether a file has this content; one that has is as new from now on, so that nothing sweeps it away before it is named again. */
function holds(path: string, content: Buffer): boolean {
  try {
    if (statSync(path).size !== content.length) return false;
    utimesSync(path, new Date(), new Date());
    return readFileSync(path).equals(content);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return false;
    throw error;
  }
}

async function copyWhole(from: string, draft: string, to: string): Promise<void> {
  try {
    await copyFile(from, draft);
    await publish(draft, to);
  } finally {
    await rm(draft, { force: true });
  }
}
