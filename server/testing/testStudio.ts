import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { createApp } from '../app.ts';
import { type Job, OWN_HEADER } from '../../contract/index.ts';
import { openStudio, type Studio, type StudioParts } from '../studio.ts';
import { emptyFolder } from './emptyFolder.ts';
import { removeFolder } from './folders.ts';

/** A studio in a folder of its own behind a real port. */
export interface TestStudio {
  readonly studio: Studio;
  /** What the server wrote to its log. */
  readonly log: readonly string[];
  call(
    method: string,
    path: string,
    body?: unknown,
  ): Promise<{ status: number; type: string; body: Record<string, unknown> }>;
  send(name: string, content: Buffer | string): Promise<{ status: number; body: Record<string, unknown> }>;
  fetch(path: string, init?: RequestInit): Promise<Response>;
  /** Waits until a job has ended. */
  ended(job: Job): Promise<Job>;
  close(): Promise<void>;
}

/** What a studio of a test is opened with. */
interface TestParts extends StudioParts {
  /** Its data, in place of a new folder; removed when it is closed. */
  readonly folder?: string;
}

export async function openTestStudio({ folder = emptyFolder(), ...parts }: TestParts = {}): Promise<TestStudio> {
  const studio = await openStudio(folder, parts);
  const log: string[] = [];
  const app = createApp(studio, undefined, (line) => log.push(line));
  const server = await new Promise<Server>((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => resolve(listening));
  });
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`;
  const read = async (response: Response): Promise<{ status: number; type: string; body: Record<string, unknown> }> => {
    const text = await response.text();
    return {
      status: response.status,
      type: response.headers.get('content-type') ?? '',
      body: (text ? JSON.parse(text) : {}) as Record<string, unknown>,
    };
  };
  return {
    studio,
    log,
    call: async (method, path, body) =>
      read(
        await fetch(base + path, {
          method,
          headers: { ...OWN_HEADER, ...(body !== undefined && { 'Content-Type': 'application/json' }) },
          ...(body !== undefined && {
            body: typeof body === 'string' ? body : JSON.stringify(body),
          }),
        }),
      ),
    send: async (name, content) =>
      read(
        await fetch(`${base}/motifs?name=${encodeURIComponent(name)}`, {
          method: 'POST',
          headers: { ...OWN_HEADER, 'Content-Type': 'application/octet-stream' },
          body: new Uint8Array(Buffer.from(content)),
        }),
      ),
    fetch: (path, init = {}) => fetch(base + path, { ...init, headers: { ...OWN_HEADER, ...init.headers } }),
    async ended(job) {
      for await (const state of studio.jobs.follow(job.id, new AbortController().signal))
        if (state.state !== 'running') return state;
      return studio.jobs.read(job.id);
    },
    async close() {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await studio.close();
      removeFolder(folder);
    },
  };
}
