import { request } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ownHosts } from './http/guard.ts';
import { openTestStudio, type TestStudio } from './testing/testStudio.ts';

let hevrel: TestStudio;
let port: number;
beforeAll(async () => {
  hevrel = await openTestStudio();
  port = Number(new URL((await hevrel.fetch('/designs')).url).port);
});
afterAll(() => hevrel.close());

/** Asks as any program can, with whatever headers. */
function ask(method: string, path: string, headers: Record<string, string>): Promise<{ status: number; csp: string }> {
  return new Promise((resolve, reject) => {
    const asking = request({ host: '127.0.0.1', port, method, path, headers }, (response) => {
      response.resume();
      const csp = String(response.headers['content-security-policy'] ?? '');
      resolve({ status: response.statusCode ?? 0, csp });
    });
    asking.on('error', reject);
    asking.end();
  });
}
const OURS = { 'X-Requested-With': 'Hevrel' };

describe('who is let in', () => {
  it.each<[string, string, Record<string, string>, number]>([
    ['its own page', 'GET', {}, 200],
    ['its own name', 'GET', { Host: 'localhost:80' }, 200],
    ['its own page, which says so', 'GET', { 'Sec-Fetch-Site': 'same-origin' }, 200],
    ['a typed address', 'GET', { 'Sec-Fetch-Site': 'none' }, 200],
    ['a name made to lead here', 'GET', { Host: 'evil.example' }, 421],
    ['a name that begins like ours', 'GET', { Host: 'localhost.evil.example' }, 421],
    ['another page', 'GET', { 'Sec-Fetch-Site': 'cross-site' }, 403],
    ['another page of this machine', 'GET', { 'Sec-Fetch-Site': 'same-site' }, 403],
    ['another page, by its origin', 'GET', { Origin: 'https://evil.example' }, 403],
    ['a page without an origin', 'GET', { Origin: 'null' }, 403],
    ['a form of another page', 'POST', { Origin: 'https://evil.example', ...OURS }, 403],
    ['a program that does not know us', 'POST', {}, 403],
    ['our own page, writing', 'POST', OURS, 400],
  ])('%s (%s)', async (_who, method, headers, status) => {
    expect((await ask(method, '/api/designs', headers)).status).toBe(status);
    if (status === 421) expect((await ask(method, '/', headers)).status).toBe(421);
  });

  it('no page may frame it, and no inline script runs', async () => {
    const { csp } = await ask('GET', '/api/designs', {});
    expect(csp).toContain("frame-ancestors 'none'");
    expect(csp).toContain("default-src 'self'");
    expect(csp).not.toMatch(/script-src[^;]*unsafe|unsafe-eval/);
  });

  it('it answers to what it listens at, and to what it is told', () => {
    expect([...ownHosts('192.168.7.9', ['Studio.local', 'fe80::1'])]).toEqual([
      'localhost',
      '127.0.0.1',
      '[::1]',
      '192.168.7.9',
      'studio.local',
      '[fe80::1]',
    ]);
    expect(ownHosts('0.0.0.0', []).size).toBeGreaterThan(3);
  });
});
