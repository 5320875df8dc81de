import { type ChildProcess, execFileSync } from 'node:child_process';
import { type AddressInfo, createServer } from 'node:net';
import { chmodSync, existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { OWN_HEADER } from '../contract/index.ts';
import { readOptions } from './options.ts';
import { emptyFolder } from './testing/emptyFolder.ts';
import { startProcess, type Running } from './testing/process.ts';
import { removeFolder } from './testing/folders.ts';

const running: ChildProcess[] = [];
const folders: string[] = [];

afterEach(() => {
  for (const child of running.splice(0)) child.kill('SIGKILL');
  for (const folder of folders.splice(0)) removeFolder(folder);
});

function removedAfterwards(folder: string): string {
  folders.push(folder);
  return folder;
}
const newFolder = (): string => removedAfterwards(mkdtempSync(join(tmpdir(), 'hevrel-start-')));
const usedFolder = (): string => removedAfterwards(emptyFolder());

function start(...options: string[]): Running {
  const process = startProcess(...options);
  running.push(process.child);
  return process;
}

async function freePort(): Promise<number> {
  const server = createServer();
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  await new Promise((resolve) => server.close(resolve));
  return port;
}

const repeat = { width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } };
const post = (url: string, name: string): Promise<Response> =>
  fetch(`${url}/api/designs`, {
    method: 'POST',
    headers: { ...OWN_HEADER, 'Content-Type': 'application/json' },
    body: JSON.stringify({ name, repeat }),
  });

describe('starting', () => {
  it('serves, stops on SIGTERM, and keeps the data for the next time', async () => {
    const data = newFolder();
    const first = start('--port', '0', '--data', data, '--empty');
    const url = await first.url;
    expect((await post(url, 'Kept')).status).toBe(201);
    first.child.kill('SIGTERM');
    expect(await first.ended).toMatchObject({ code: 0, err: '' });
    expect(readFileSync(join(data, 'in-use'), 'utf8')).toBe('');
    const second = start('--port', '0', '--data', data);
    // Asked for without samples the first time, it stays without them.
    expect((await (await fetch(`${await second.url}/api/designs`)).json()) as unknown[]).toMatchObject([
      { name: 'Kept' },
    ]);
    second.child.kill('SIGINT');
    expect((await second.ended).code).toBe(0);
  });

  it('says that it is starting until it is ready; told to stop meanwhile it does, told twice at once', async () => {
    const data = usedFolder();
    for (const [signals, code] of [
      [['SIGTERM'], 0],
      // Two of the same kind count as one where they come together.
      [['SIGTERM', 'SIGINT'], 1],
    ] as const) {
      const port = await freePort();
      const { child, ended } = start('--port', String(port), '--data', data, '--empty');
      const ask = (accept: string): Promise<Response> =>
        fetch(`http://127.0.0.1:${port}/designs`, { headers: { Accept: accept } });
      const answer = await vi.waitFor(() => ask('application/json'), { timeout: 60_000, interval: 20 });
      expect([answer.status, answer.headers.get('retry-after')]).toEqual([503, '2']);
      expect(((await answer.json()) as { detail: string }).detail).toMatch(/will be ready in a moment/);
      expect(await (await ask('text/html')).text()).toContain('http-equiv="refresh"');
      for (const signal of signals) child.kill(signal);
      expect((await ended).code).toBe(code);
    }
  });

  it('finishes what is being saved when it is told to stop', async () => {
    const data = usedFolder();
    const first = start('--port', '0', '--data', data, '--empty');
    const url = await first.url;
    const posts = Array.from({ length: 12 }, (_, i) => post(url, `Design ${i}`));
    await posts[0];
    first.child.kill('SIGTERM');
    const answers = await Promise.allSettled(posts);
    const saved = answers.filter((answer) => answer.status === 'fulfilled' && answer.value.status === 201).length;
    expect((await first.ended).code).toBe(0);
    const second = start('--port', '0', '--data', data);
    const there = (await (await fetch(`${await second.url}/api/designs`)).json()) as unknown[];
    expect(there.length).toBeGreaterThanOrEqual(saved);
  });

  it('takes over from one that was killed', async () => {
    const data = usedFolder();
    const first = start('--port', '0', '--data', data, '--empty');
    await post(await first.url, 'Kept');
    first.child.kill('SIGKILL');
    await first.ended;
    const second = start('--port', '0', '--data', data);
    expect((await (await fetch(`${await second.url}/api/designs`)).json()) as unknown[]).toHaveLength(1);
  });

  it('says in one sentence that the data folder is in use, and leaves it alone', async () => {
    const data = usedFolder();
    const first = start('--port', '0', '--data', data, '--empty');
    const url = await first.url;
    const { code, err } = await start('--port', '0', '--data', data).ended;
    expect(code).toBe(1);
    expect(err.trim()).toMatch(/^The data folder .* is in use by another Hevrel \(process \d+\)\. .*--data DIR\.$/);
    expect((await fetch(`${url}/api/designs`)).status).toBe(200);
  });

  it('says in one sentence that the port is taken, before it touches the data', async () => {
    const data = join(newFolder(), 'fresh');
    const taken = createServer();
    await new Promise<void>((resolve) => taken.listen(0, '127.0.0.1', resolve));
    const { port } = taken.address() as { port: number };
    const { code, err } = await start('--port', String(port), '--data', data).ended;
    taken.close();
    expect([code, err.trim()]).toEqual([
      1,
      `Port ${port} is taken. Stop what uses it, or choose another with --port N.`,
    ]);
    expect(existsSync(data)).toBe(false);
  });

  it('says in one sentence that the data folder cannot be written', async () => {
    const place = newFolder();
    const file = join(place, 'file');
    writeFileSync(file, 'not a folder');
    const { code, err } = await start('--port', '0', '--data', join(file, 'data')).ended;
    expect(code).toBe(1);
    expect(err.trim()).toMatch(/^Cannot write to the data folder .* \(ENOTDIR\)\. Choose another with --data DIR\.$/);
    // Whoever may write everywhere is not stopped by permissions.
    if (process.getuid?.() === 0) return;
    chmodSync(place, 0o500);
    expect((await start('--port', '0', '--data', join(place, 'data')).ended).code).toBe(1);
    chmodSync(place, 0o700);
  });

  it('loads no engine that draws or reads files before one is needed: with them it takes twice as long', () => {
    const main = new URL('./main.ts', import.meta.url).href;
    const code = `await import(${JSON.stringify(main)});
      const { createRequire } = await import('node:module');
      console.log(Object.keys(createRequire(${JSON.stringify(main)}).cache).join('\\n'));`;
    const loaded = execFileSync(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', code], {
      encoding: 'utf8',
    });
    expect(loaded).toContain('/node_modules/express/');
    for (const engine of ['paper', 'pdf-lib', '@napi-rs/canvas', 'sharp', 'css-tree', 'jsdom'])
      expect(loaded).not.toContain(`/node_modules/${engine}/`);
  });
});

describe('options', () => {
  it('have defaults and sentences', () => {
    expect(readOptions([])).toEqual({
      port: 4173,
      host: '127.0.0.1',
      data: './data',
      empty: false,
      allowHost: [],
      reserve: 64 * 2 ** 20,
    });
    expect(readOptions(['--port', '80', '--host', '::1', '--data', '/x', '--empty', '--allow-host', 'a.b'])).toEqual({
      port: 80,
      host: '::1',
      data: '/x',
      empty: true,
      allowHost: ['a.b'],
      reserve: 64 * 2 ** 20,
    });
    expect(() => readOptions(['--port', 'eighty'])).toThrow('--port takes a number');
    expect(readOptions(['--reserve', '500']).reserve).toBe(500 * 2 ** 20);
    expect(() => readOptions(['--reserve', '1'])).toThrow('--reserve takes a number of megabytes from 32');
    expect(() => readOptions(['--colour'])).toThrow('The options are --port N');
  });
});
