import { createReadStream, statSync } from 'node:fs';
import { type DetailedError, Upload, type UploadOptions } from 'tus-js-client';
import { object, string, type Schema } from 'yup';
import { type PrintRules, printRulesSchema } from '../../core/print/index.ts';
import type { StrikeOffView } from '../printHouse/houseFiles.ts';
import { type HouseOrder, houseOrderSchema, type HouseWish } from '../printHouse/houseOrder.ts';
import type { PrintHouse } from '../printHouse/printHouse.ts';
import { Problem } from '../problem.ts';
import type { JobContext } from '../store/jobs.ts';

const ANSWERS_WITHIN_MS = 10_000;
/** A broken connection is tried again after so many ms each, from the last part that arrived. */
const RETRY_MS = [300, 1000, 2500];
const [LEAST_PART, MOST_PART, PARTS] = [32 * 1024, 4 * 1024 * 1024, 16];

/** The print house does not answer. */
export class HouseUnreachable extends Problem {
  constructor(what: string) {
    super(502, 'Print house not reached', `The print house could not be reached. ${what}`);
  }
}

/** Talks to the print house. */
export class HouseClient {
  readonly #house: PrintHouse;

  constructor(house: PrintHouse) {
    this.#house = house;
  }

  async rules(): Promise<PrintRules> {
    return this.#ask('GET', '/rules', printRulesSchema);
  }

  async order(id: string): Promise<HouseOrder> {
    return this.#ask('GET', `/orders/${id}`, houseOrderSchema);
  }

  async place(wish: HouseWish): Promise<HouseOrder> {
    return this.#ask('POST', '/orders', houseOrderSchema, wish);
  }

  async approve(id: string): Promise<HouseOrder> {
    return this.#ask('POST', `/orders/${id}/approve`, houseOrderSchema);
  }

  async cancel(id: string): Promise<HouseOrder> {
    return this.#ask('POST', `/orders/${id}/cancel`, houseOrderSchema);
  }

  async strikeOff(id: string, view: StrikeOffView): Promise<Buffer> {
    const response = await this.#fetch('GET', `/orders/${id}/strike-off/${view}`);
    return Buffer.from(await response.arrayBuffer());
  }

  /**
   * Uploads a file, or what is missing of it.
   *
   * @param known the id of an upload that was begun; another one is begun where it is not there any more
   * @param onBegun is told the id of the upload, before any of the file is sent
   * @throws HouseUnreachable where the connection breaks for good; what was sent is kept there
   */
  async upload(
    file: string,
    known: string | undefined,
    onBegun: (id: string) => Promise<void>,
    { signal, progress }: JobContext,
  ): Promise<string> {
    const { url, key } = await this.#house.address();
    const { size } = statSync(file);
    return new Promise((resolve, reject) => {
      const idOf = (address: string | null): string => address?.split('/').at(-1) ?? '';
      const options: UploadOptions = {
        endpoint: `${url}/uploads`,
        uploadUrl: known === undefined ? null : `${url}/uploads/${known}`,
        headers: { Authorization: `Bearer ${key}` },
        uploadSize: size,
        chunkSize: Math.min(MOST_PART, Math.max(LEAST_PART, Math.ceil(size / PARTS))),
        retryDelays: RETRY_MS,
        onUploadUrlAvailable: () => void onBegun(idOf(upload.url)).catch(reject),
        onProgress: (sent) => progress(sent / size),
        onSuccess: () => resolve(idOf(upload.url)),
        onError: (error) => reject(uploadProblem(error)),
      };
      // In Node the package takes the stream of a file, of which it reads parts; its types know the browser's files only.
      const upload = new Upload(createReadStream(file) as unknown as Blob, options);
      signal.addEventListener('abort', () => {
        void upload.abort().finally(() => reject(new Error('stopped')));
      });
      upload.start();
    });
  }

  async #ask<T>(method: 'GET' | 'POST', path: string, schema: Schema<T>, body?: object): Promise<T> {
    const response = await this.#fetch(method, path, body);
    return schema.validateSync(await response.json(), { strict: true });
  }

  async #fetch(method: 'GET' | 'POST', path: string, body?: object): Promise<Response> {
    const { url, key } = await this.#house.address();
    let response: Response;
    try {
      response = await fetch(url + path, {
        method,
        headers: { Authorization: `Bearer ${key}`, ...(body && { 'Content-Type': 'application/json' }) },
        signal: AbortSignal.timeout(ANSWERS_WITHIN_MS),
        ...(body && { body: JSON.stringify(body) }),
      });
    } catch {
      throw new HouseUnreachable('Nothing was lost; try again later.');
    }
    if (response.ok) return response;
    const { message } = object({ message: string().required() }).validateSync(await response.json());
    throw new Problem(
      response.status === 404 ? 404 : 422,
      'Not taken',
      `The print house did not take this: ${message} Nothing was charged.`,
    );
  }
}

function uploadProblem(error: Error | DetailedError): Problem {
  const response = 'originalResponse' in error ? error.originalResponse : null;
  if (response?.getStatus() === 413)
    return new Problem(
      422,
      'Too large',
      'The file is larger than the print house takes. Nothing was charged; choose a lower density or JPEG.',
    );
  return new HouseUnreachable('What was sent so far is kept there; press Resume.');
}
