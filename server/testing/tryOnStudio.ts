import { expect } from 'vitest';
import type { Job } from '../../contract/index.ts';
import type { TryOn } from '../../core/tryon/index.ts';
import { type Spirals, useSpirals } from './spirals.ts';

/** A cushion in a pattern. */
export const onCushion = (source: TryOn['source'], rest: Partial<TryOn> = {}): TryOn => ({
  version: 1,
  name: 'Spirals on a cushion',
  product: 'cushion',
  source,
  scale: 1,
  rotation: 0,
  pieces: [],
  ...rest,
});

/** A file of try-ons that was exported. */
interface Exported {
  readonly fileName: string;
  readonly files: readonly { readonly width: number; readonly height: number; readonly fileName: string }[];
  readonly file: Buffer;
}

/** A studio for the tests of try-ons, and what is done in it. */
export interface TryOnStudio {
  readonly spirals: Spirals;
  call(method: string, path: string, body?: unknown): ReturnType<Spirals['hevrel']['call']>;
  ended(answer: { readonly body: unknown }): Promise<Job>;
  /** Keeps a try-on. @returns its id */
  create(tryOn: TryOn): Promise<string>;
  /** What comes out of exporting try-ons. */
  exported(tryOns: readonly string[], format?: string, side?: number, more?: object): Promise<Exported>;
}

/** Opens the studio before a file's tests and closes it after them. */
export function useTryOnStudio(): TryOnStudio {
  const spirals = useSpirals();
  const call: TryOnStudio['call'] = (method, path, body) => spirals.hevrel.call(method, path, body);
  const ended: TryOnStudio['ended'] = (answer) => spirals.hevrel.ended(answer.body as Job);
  return {
    spirals,
    call,
    ended,
    async create(tryOn) {
      const { status, body } = await call('POST', '/try-ons', { tryOn });
      expect(status).toBe(201);
      return body['id'] as string;
    },
    async exported(tryOns, format = 'png', side = 300, more = {}) {
      const job = await ended(await call('POST', '/try-ons/files', { tryOns, format, side, ...more }));
      expect(job.message, job.state).toBe(null);
      const result = job.result as Omit<Exported, 'file'> & { readonly href: string };
      const { fileName, files } = result;
      const file = Buffer.from(await (await spirals.hevrel.fetch(result.href.replace('/api', ''))).arrayBuffer());
      return { fileName, files, file };
    },
  };
}
