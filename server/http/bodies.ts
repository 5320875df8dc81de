import { createHash } from 'node:crypto';
import { open, rm } from 'node:fs/promises';
import { Semaphore } from 'async-mutex';
import type { Request } from 'express';
import type { Schema } from 'yup';
import { ROUTES, type Route } from '../../contract/index.ts';
import { Problem } from '../problem.ts';
import { newDraft } from '../store/drafts.ts';
import type { SourceFile } from '../store/sourceFile.ts';
import type { Space } from '../store/space.ts';
import type { Pool } from '../work/pool.ts';
import { JsonShape } from './jsonShape.ts';
import { readJson } from './readJson.ts';
import { pauseStallGuard } from './stallGuard.ts';

const KB = 1024;
const MB = 1024 * KB;
/** JSON that is larger, or has more values, is read in a process of the pool: that takes too long to be done between two requests. */
const SMALL_JSON = { bytes: 64 * KB, values: 4000 };
/** A larger body waits for its turn, of which there are so many. */
const LARGE_BYTES = MB;
const LARGE_AT_ONCE = 4;
/** A body that has its turn brings so much in a second on average, after a while, bytes and ms. */
const LEAST_RATE = { bytes: 64 * KB, afterMs: 30_000 };
/** The free space is looked at anew for each so many bytes. */
const SPACE_BYTES = 4 * MB;

/** Takes the bodies of requests: small JSON is read at once, all else lies on the disk until a process of the pool has read it. */
export class Bodies {
  readonly #turns = new Semaphore(LARGE_AT_ONCE);

  /**
   * @param drafts folder that they lie in meanwhile
   */
  constructor(
    readonly drafts: string,
    readonly pool: Pool,
    readonly space: Space,
  ) {}

  /**
   * Takes a file.
   *
   * @param most bytes
   * @param use is given the file, which is gone once that has ended
   * @throws Problem (408, 413, 507)
   */
  async file<T>(request: Request, most: number, use: (file: SourceFile) => Promise<T>): Promise<T> {
    return this.#drafted(request, [], { most }, use);
  }

  /**
   * Takes JSON and holds it against the schema of its route.
   *
   * @param most bytes
   * @throws Problem, ValidationError
   */
  async json(request: Request, route: Route, most: number): Promise<unknown> {
    refuseByLength(request, most);
    const shape = new JsonShape();
    const chunks: Buffer[] = [];
    let bytes = 0;
    for await (const chunk of chunksOf(request)) {
      shape.add(chunk);
      chunks.push(chunk);
      bytes += chunk.length;
      if (bytes > SMALL_JSON.bytes)
        return this.#drafted(request, chunks, { most, shape }, ({ path }) => this.#checked(route, { file: path }));
    }
    if (shape.values > SMALL_JSON.values) return this.#checked(route, { json: Buffer.concat(chunks) });
    const value = bytes === 0 ? undefined : readJson(Buffer.concat(chunks));
    // Values have to be of their types already, as those of JSON are.
    return (route.body as Schema).validateSync(value, { strict: true });
  }

  #checked(route: Route, sent: { readonly file: string } | { readonly json: Uint8Array }): Promise<unknown> {
    const [name] = Object.entries(ROUTES).find(([, listed]) => listed === route) as [string, Route];
    return this.pool.run({ kind: 'check', route: name, ...sent });
  }

  /** @param begun what has arrived of it */
  async #drafted<T>(
    request: Request,
    begun: readonly Buffer[],
    { most, shape }: { readonly most: number; readonly shape?: JsonShape },
    use: (file: SourceFile) => Promise<T>,
  ): Promise<T> {
    refuseByLength(request, most);
    const path = newDraft(this.drafts);
    const hash = createHash('sha256');
    let bytes = 0;
    let turn: { readonly release: () => void; readonly since: number; readonly at: number } | undefined;
    try {
      const file = await open(path, 'wx');
      try {
        const write = async (chunk: Buffer): Promise<void> => {
          const before = bytes;
          bytes += chunk.length;
          if (bytes > most) throw tooLarge(most);
          if (Math.floor(bytes / SPACE_BYTES) > Math.floor(before / SPACE_BYTES)) await this.space.require();
          hash.update(chunk);
          await file.writeFile(chunk);
        };
        const takeTurn = async (): Promise<void> => {
          const resume = pauseStallGuard(request);
          const release = await this.#takeTurn(request);
          resume();
          turn = { release, since: performance.now(), at: bytes };
        };
        if (Number(request.headers['content-length'] ?? 0) > LARGE_BYTES) await takeTurn();
        for (const chunk of begun) await write(chunk);
        if (!request.readableEnded)
          for await (const chunk of chunksOf(request)) {
            shape?.add(chunk);
            await write(chunk);
            if (bytes > LARGE_BYTES && !turn) await takeTurn();
            if (turn && isTooSlow(bytes - turn.at, performance.now() - turn.since)) throw tooSlow();
          }
      } finally {
        await file.close();
        turn?.release();
      }
      return await use({ path, bytes, sha256: hash.digest('hex') });
    } finally {
      await rm(path, { force: true });
    }
  }

  /** Waits for a turn. @throws Error where whoever asked has gone meanwhile */
  async #takeTurn(request: Request): Promise<() => void> {
    const [, release] = await this.#turns.acquire();
    if (request.complete || !request.destroyed) return release;
    release();
    throw new Error('whoever was sending has gone');
  }
}

/** The request stays open where it is left half-way: it is gone on with, or answered. */
function chunksOf(request: Request): AsyncIterable<Buffer> {
  return request.iterator({ destroyOnReturn: false });
}

/** Refused by its length before it is read. */
function refuseByLength(request: Request, most: number): void {
  if (Number(request.headers['content-length'] ?? 0) > most) throw tooLarge(most);
}

function tooLarge(most: number): Problem {
  const limit = most >= MB ? `${Math.round(most / MB)} MB` : `${Math.round(most / KB)} kB`;
  return new Problem(
    413,
    'Too large',
    `What was sent is larger than ${limit}. Nothing was changed; make it smaller, or send it in parts.`,
  );
}

function isTooSlow(bytes: number, ms: number): boolean {
  return ms > LEAST_RATE.afterMs && bytes < ((ms - LEAST_RATE.afterMs) / 1000) * LEAST_RATE.bytes;
}

function tooSlow(): Problem {
  return new Problem(
    408,
    'Too slow',
    'What was being sent came too slowly while others waited for their turn. Nothing was changed; send it again.',
  );
}
