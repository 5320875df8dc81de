import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Design } from '../core/document/index.ts';
import { openTestStudio, type TestStudio } from './testing/testStudio.ts';

let hevrel: TestStudio;
let id: string;
const REPEAT = { width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } };
beforeAll(async () => {
  hevrel = await openTestStudio();
  const { body } = await hevrel.call('POST', '/designs', { name: 'Kelp', repeat: REPEAT });
  id = (body['design'] as Design).id;
});
afterAll(() => hevrel.close());

const save = (commands: unknown, more: object = {}): [string, string, unknown] => [
  'PATCH',
  `/designs/${id}`,
  { save: 'save-1', revision: 1, commands, ...more },
];
const nested = (depth: number): unknown =>
  depth === 0 ? { type: 'rename', name: 'x' } : { type: 'all', commands: [nested(depth - 1)] };

describe('what cannot be meant', () => {
  it.each<[string, () => [string, string, unknown?]]>([
    ['a NUL in a name', () => ['POST', '/designs', { name: 'Ke\u0000lp', repeat: REPEAT }]],
    ['half a letter in a name', () => ['POST', '/designs', { name: 'Ke\ud83dlp', repeat: REPEAT }]],
    ['a NUL in a command', () => save([{ type: 'rename', name: 'a\u0000' }])],
    ['half a letter in a command', () => save([{ type: 'rename', name: 'a\udc00' }])],
    ['a NUL in an id', () => ['GET', '/designs/a%00b']],
    ['half a letter in an address', () => ['GET', '/designs/%ud83d']],
    ['an address that is none', () => ['GET', '/designs/%E0%A4%A']],
    ['a NUL in a question', () => ['GET', '/motifs?words=%00']],
    ['a question put twice', () => ['GET', '/motifs?order=name&order=used']],
    ['a number put twice', () => ['GET', '/motifs?limit=3&limit=4']],
    [
      'a drop of nothing by nothing',
      () => [
        'POST',
        '/designs',
        { name: 'x', repeat: { ...REPEAT, step: { kind: 'half-drop', drop: { p: 0, q: 0 } } } },
      ],
    ],
    ['no body', () => ['POST', '/designs']],
    ['a body that is a word', () => ['POST', '/designs', '"kelp"']],
    ['commands within commands, 500 deep', () => save([nested(500)])],
    ['a hundred thousand brackets', () => ['POST', '/designs', '['.repeat(99_000)]],
    ['commands that are none', () => save([null, 7, []])],
  ])('is answered with 400 or 422 and a sentence: %s', async (_what, request) => {
    const [method, path, body] = request();
    const said = hevrel.log.length;
    const { status, body: problem } = await hevrel.call(method, path, body);
    expect([400, 404, 422], `${status} ${JSON.stringify(problem)}`).toContain(status);
    expect(problem['detail']).toEqual(expect.any(String));
    expect(hevrel.log.slice(said)).toEqual([]);
  });
});
