import { transfer } from 'comlink';
import { joinedAdler32 } from './adler32.ts';
import { WorkerThread } from '../threads/workerThread.ts';
import { type PngPart, pngPart } from './pngPart.ts';
import type { PngDesk } from './pngPartsWorker.ts';

/** Deflate with its usual window and effort (RFC 1950). */
const HEAD = Buffer.from([0x78, 0x9c]);
/** A last block that holds nothing (RFC 1951). */
const LAST = Buffer.from([0x03, 0x00]);

/**
 * The zlib stream of a PNG. Its parts are filtered and deflated beside each other on threads, each by itself, and joined in their order: several
 * processors then work on one file. Parts that are not told of those before them are larger by some hundred bytes.
 */
export class PngStream {
  readonly #put: (data: Uint8Array) => Promise<void>;
  readonly #threads: readonly WorkerThread<PngDesk>[];
  readonly #underWay = new Set<Promise<unknown>>();
  #above: Uint8Array;
  #count = 0;
  #written: Promise<void>;
  #sum = 1;
  #failure: Error | undefined;

  /**
   * @param rowBytes bytes of a row
   * @param threads so many at a time; on this one where it is 0
   * @param put takes what is deflated, one part after another
   */
  constructor(rowBytes: number, threads: number, put: (data: Uint8Array) => Promise<void>) {
    this.#put = put;
    this.#above = new Uint8Array(rowBytes);
    this.#threads = Array.from(
      { length: threads },
      () => new WorkerThread<PngDesk>(new URL('./startPngParts.mjs', import.meta.url)),
    );
    this.#written = put(HEAD);
  }

  /** Takes rows, which are no longer the caller's; resolves once others may come. @throws Error what an earlier part failed with */
  async write(rows: Uint8Array): Promise<void> {
    if (this.#failure) throw this.#failure;
    const above = this.#above;
    this.#above = rows.slice(rows.length - above.length);
    const made = this.#part(rows, above);
    this.#written = Promise.all([made, this.#written]).then(([{ data, sum, length }]) => {
      this.#sum = joinedAdler32(this.#sum, sum, length);
      return this.#put(data);
    });
    this.#written.catch((error: unknown) => (this.#failure ??= asError(error)));
    const working: Promise<unknown> = made.catch(() => undefined).finally(() => this.#underWay.delete(working));
    this.#underWay.add(working);
    const [oldest] = this.#underWay;
    if (this.#underWay.size > this.#threads.length) await oldest;
  }

  /** Ends the stream with its checksum. */
  async end(): Promise<void> {
    await this.#written;
    const sum = Buffer.alloc(4);
    sum.writeUInt32BE(this.#sum);
    await this.#put(Buffer.concat([LAST, sum]));
    await this.close();
  }

  /** Lets go of the threads. */
  async close(): Promise<void> {
    await Promise.all(this.#threads.map((thread) => thread.end()));
  }

  #part(rows: Uint8Array, above: Uint8Array): Promise<PngPart> {
    const thread = this.#threads[this.#count % this.#threads.length];
    this.#count += 1;
    if (!thread) return Promise.resolve(pngPart(rows, above));
    // Handed over rather than copied.
    const own = rows.byteLength === rows.buffer.byteLength ? rows : rows.slice();
    return thread.ask((desk) => desk.part(transfer(own, [own.buffer]), above));
  }
}

const asError = (error: unknown): Error => (error instanceof Error ? error : new Error(String(error)));
