import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { pathOf, type Job } from '../contract/index.ts';
import type { Design } from '../core/document/index.ts';
import { SQUARE } from '../core/lattice/index.ts';
import { leafAt } from '../core/testing/arbitraries.ts';
import { answerFault } from './testing/answerFault.ts';
import { oneStepFrom } from './testing/bodies.ts';
import { jsonRoutes, type JsonRoute } from './testing/jsonRoutes.ts';
import { openTestStudio, type TestStudio } from './testing/testStudio.ts';

/** For how long bodies are made and sent, ms. */
const LASTS_MS = process.env['HEVREL_SOAK'] ? 5 * 60_000 : 20_000;
/** Bodies of one route at a time; then it is another's turn. */
const AT_A_TIME = 12;
/** Of each, so many one step from it. */
const STEPS = 3;

let hevrel: TestStudio;
const ids: string[] = [];
beforeAll(async () => {
  hevrel = await openTestStudio();
  const drawing =
    '<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm" viewBox="0 0 9 9"><rect width="9" height="9" fill="#b5442f"/></svg>';
  const motif = (await hevrel.send('leaf.svg', drawing)).body['motif'] as { id: string; artwork: string };
  const repeat = { width: 60, height: 40, step: SQUARE };
  const { design } = (await hevrel.call('POST', '/designs', { name: 'Kelp', repeat })).body as { design: Design };
  const commands = [
    { type: 'insert', placements: [{ index: 0, placement: leafAt('a', { motif: motif.id, x: 5, y: 5 }) }] },
  ];
  await hevrel.call('PATCH', `/designs/${design.id}`, { save: 'save-one', revision: 1, commands });
  const saving = await hevrel.call('POST', '/swatches', { design: design.id, revision: 2, name: 'Kelp' });
  const swatch = (await hevrel.ended(saving.body as unknown as Job)).result as { swatch: string };
  const tryOn = {
    version: 1,
    name: 'Mug',
    product: 'mug',
    source: { design: design.id },
    scale: 1,
    rotation: 0,
    pieces: [],
  };
  const worn = (await hevrel.call('POST', '/try-ons', { tryOn })).body['id'] as string;
  ids.push(motif.id, motif.artwork, design.id, swatch.swatch, worn, 'mug', 'base', 'main', 'ground', 'a');
}, 120_000);
afterAll(() => hevrel.close());

/** When no more is sent, of `performance.now`. */
let ends = 0;

/** What was sent and answered amiss, by route and by what is wrong, each once. */
const faults = new Map<string, string>();

async function send({ name, route }: JsonRoute, id: string, body: unknown, isFitting: boolean): Promise<void> {
  const params = Object.fromEntries([...route.path.matchAll(/\{(\w+)\}/g)].map(([, key]) => [key, id]));
  const path = pathOf(route, params).replace(/^\/api/, '');
  if (performance.now() > ends) return;
  const said = hevrel.log.length;
  const answer = await hevrel.call(route.method, path, JSON.stringify(body));
  const fault = answerFault(answer, isFitting);
  const told = `${JSON.stringify(answer.body)}\n${hevrel.log.slice(said).join('\n')}`;
  if (fault)
    faults.set(`${name}: ${fault}: ${told.slice(0, 160)}`, `${path} ${JSON.stringify(body)?.slice(0, 2000)}: ${told}`);
  // Nothing is to be painted here.
  if (answer.status === 202) await hevrel.call('DELETE', `/jobs/${String(answer.body['id'])}`);
}

describe('bodies', () => {
  it(
    'that fit the contract’s description are never malformed, and those one step from it never break anything',
    { timeout: LASTS_MS + 120_000 },
    async () => {
      const asked = jsonRoutes(ids);
      ends = performance.now() + LASTS_MS;
      for (let round = 0; performance.now() < ends; round += 1)
        for (const one of asked) {
          const seed = process.env['HEVREL_SOAK'] ? Math.floor(Math.random() * 2 ** 31) : 20_261_201 + round;
          const parameters = { numRuns: round === 0 ? AT_A_TIME / 4 : AT_A_TIME, seed };
          for (const body of fc.sample(one.bodies.of(one.schema), parameters)) {
            const places = ids.filter((id) => !id.includes('.'));
            const id = places[Math.abs(JSON.stringify(body)?.length ?? 0) % places.length] as string;
            await send(one, id, body, one.fits(body));
            for (const other of fc.sample(oneStepFrom(body), { numRuns: STEPS, seed }))
              await send(one, id, other, false);
          }
        }
      expect(Object.fromEntries(faults)).toEqual({});
      // One of the bodies may have told the simulated print house to be away.
      expect(hevrel.log.filter((line) => !line.includes('print house could not be reached'))).toEqual([]);
    },
  );
});
