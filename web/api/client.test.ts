import { deleteDesign, listDesigns, saveDesign } from '../../contract/index.ts';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { ApiProblem, call, problemOf, Unreachable } from './client.ts';

const SAVE = { save: 'save-one', revision: 2, commands: [{ type: 'name', name: 'Kelp' }] } as const;

afterEach(() => vi.unstubAllGlobals());

/** Answers the next calls in place of the network. */
function answering(answer: Response | Error) {
  const fetched = vi.fn<typeof fetch>(() =>
    answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer),
  );
  vi.stubGlobal('fetch', fetched);
  return fetched;
}

describe('calling the server', () => {
  it('sends and reads JSON', async () => {
    const fetched = answering(new Response('{"revision":3}', { status: 200 }));
    expect(await call(saveDesign, { params: { id: 'd' }, body: SAVE })).toEqual({ revision: 3 });
    expect(fetched).toHaveBeenCalledWith('/api/designs/d', {
      method: 'PATCH',
      keepalive: false,
      headers: {
        'X-Requested-With': 'Hevrel',
        'X-Window': expect.any(String) as unknown,
        'Content-Type': 'application/json',
      },
      body: JSON.stringify(SAVE),
    });
  });

  it('sends no body where there is none, and takes an empty answer', async () => {
    const fetched = answering(new Response(null, { status: 204 }));
    expect(await call(deleteDesign, { params: { id: 'd' } })).toBeNull();
    expect(fetched).toHaveBeenCalledWith('/api/designs/d', {
      method: 'DELETE',
      keepalive: false,
      headers: { 'X-Requested-With': 'Hevrel', 'X-Window': expect.any(String) as unknown },
    });
  });

  it('lets a last save outlive its window', async () => {
    const fetched = answering(new Response('{}', { status: 200 }));
    await call(saveDesign, { params: { id: 'd' }, body: SAVE }, true);
    expect(fetched.mock.calls[0]?.[1]).toMatchObject({ keepalive: true });
  });

  it('passes on the sentence of a problem, with its status', async () => {
    answering(new Response('{"status":409,"detail":"Changed elsewhere."}', { status: 409 }));
    await expect(call(saveDesign, { params: { id: 'd' }, body: SAVE })).rejects.toEqual(
      new ApiProblem(409, 'Changed elsewhere.'),
    );
  });

  it('says so when the server does not answer at all', async () => {
    answering(new TypeError('fetch failed'));
    await expect(call(listDesigns, {})).rejects.toBeInstanceOf(Unreachable);
    await expect(call(listDesigns, {})).rejects.toThrow(/Your work is kept in this browser/);
  });

  it.each(['', '<html>Bad gateway</html>', '{"detail":7}', 'null-ish'])(
    'has a sentence of its own for an answer without one: %j',
    (body) => {
      const problem = problemOf(502, body);
      expect(problem.status).toBe(502);
      expect(problem.message).toBe('The server answered with the error 502. Nothing was changed; try again.');
    },
  );
});
