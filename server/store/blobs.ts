import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, writeFileSync, renameSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { nanoid } from 'nanoid';
import { artworkSchema, type Artwork } from '../../core/motif/index.ts';

/** Kinds of content that are kept, by ending. */
export type BlobKind = 'json' | 'png' | 'jpg' | 'webp' | 'svg' | 'svgz' | 'gif' | 'tif' | 'avif' | 'ttf';

const ADDRESS = /^[0-9a-f]{64}\.(json|png|jpg|webp|svgz?|gif|tif|avif|ttf)$/;

/** Immutable files named by what is in them. */
export class Blobs {
  /** Addresses that are known to hold artwork. */
  readonly #artworks = new Set<string>();

  constructor(readonly folder: string) {}

  /** Keeps the content and returns its address; a file appears whole or not at all. */
  keep(content: Uint8Array | string, kind: BlobKind): string {
    const address = this.addressOf(content, kind);
    const path = this.pathOf(address);
    if (existsSync(path)) return address;
    mkdirSync(dirname(path), { recursive: true });
    const draft = `${path}.${nanoid(8)}`;
    writeFileSync(draft, content);
    renameSync(draft, path);
    return address;
  }

  /** Where this content is kept, or would be. */
  addressOf(content: Uint8Array | string, kind: BlobKind): string {
    return `${createHash('sha256').update(content).digest('hex')}.${kind}`;
  }

  read(address: string): Promise<Buffer> {
    return readFile(this.pathOf(address));
  }

  /** The artwork kept at an address. @throws ValidationError where what lies there is no artwork */
  async readArtwork(address: string): Promise<Artwork> {
    const json: unknown = JSON.parse(await readFile(this.pathOf(address), 'utf8'));
    // Checked once: what lies under a content address never changes, and checking takes longer than reading.
    if (this.#artworks.has(address)) return json as Artwork;
    const artwork = await artworkSchema.validate(json, { strict: true });
    this.#artworks.add(address);
    return artwork;
  }

  has(address: string): boolean {
    return Blobs.isAddress(address) && existsSync(this.pathOf(address));
  }

  static isAddress(text: string): boolean {
    return ADDRESS.test(text);
  }

  pathOf(address: string): string {
    if (!Blobs.isAddress(address)) throw new RangeError(`not a content address: ${address}`);
    return join(this.folder, address.slice(0, 2), address);
  }
}
