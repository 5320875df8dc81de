import { connect, type AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import express, { raw } from 'express';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { problemHandler } from '../problem.ts';
import { stallGuard } from './stallGuard.ts';

const STALL_MS = 200;
let server: Server;

beforeAll(async () => {
  const app = express();
  app.use(stallGuard(STALL_MS));
  app.use(raw({ type: () => true }));
  app.use(async (_request, response) => {
    // Longer than a body may stall: work on a request that is here is not what is measured.
    await new Promise((resolve) => setTimeout(resolve, 2 * STALL_MS));
    response.send('done');
  });
  app.use(problemHandler(() => undefined));
  server = await new Promise((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => resolve(listening));
  });
});
afterAll(() => new Promise((resolve) => server.close(resolve)));

/** Sends pieces of a request, so many ms apart, and reads until the other side hangs up. */
function send(pieces: readonly string[], gap: number): Promise<string> {
  return new Promise((resolve, reject) => {
    const socket = connect((server.address() as AddressInfo).port, '127.0.0.1');
    let read = '';
    socket.on('data', (data) => (read += data.toString()));
    socket.on('close', () => resolve(read));
    socket.on('error', reject);
    pieces.forEach((piece, n) => setTimeout(() => socket.write(piece), n * gap));
  });
}

const HEAD = 'POST / HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\nContent-Length: 30\r\n\r\n';

it('gives up a body of which nothing arrives any more, with a sentence, and hangs up', async () => {
  const answer = await send([`${HEAD}half`], 0);
  expect(answer).toMatch(/^HTTP\/1\.1 408 /);
  expect(answer).toContain('Nothing was changed; send it once more.');
});

it('takes one that comes slowly but steadily, and leaves the time for the answer alone', async () => {
  const answer = await send([HEAD, ...Array.from({ length: 3 }, () => '0123456789')], STALL_MS / 2);
  expect(answer).toMatch(/^HTTP\/1\.1 200 [^]*done$/);
});
