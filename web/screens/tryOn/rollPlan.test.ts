import { expect, it } from 'vitest';
import { FIRST_WALL, planRolls, type TryOn } from '../../../core/tryon/index.ts';
import { papered } from './rollPlan.ts';

const REPEAT = { width: 265, height: 320, step: { kind: 'square', drop: { p: 0, q: 1 } } } as const;
const tryOn = (rest: Partial<TryOn>): TryOn => ({
  version: 1,
  name: 'Hall',
  product: 'wall',
  source: { design: 'd' },
  scale: 1,
  rotation: 0,
  wall: undefined,
  pieces: [],
  ...rest,
});

it('plans for the pattern as large as it is printed', () => {
  const { plan, wall } = papered(tryOn({ scale: 1.5 }), REPEAT);
  expect(wall).toBe(FIRST_WALL);
  expect(plan).toEqual(planRolls({ ...FIRST_WALL, repeat: 480 }));
  expect(plan).not.toEqual(papered(tryOn({}), REPEAT).plan);
});

it('says what is wrong in a sentence, and waits while the pattern is on its way', () => {
  const wall = { ...FIRST_WALL, rollLength: 1000 };
  expect(papered(tryOn({ wall }), REPEAT)).toMatchObject({
    wall,
    plan: undefined,
    problem: expect.stringContaining('Use longer rolls.'),
  });
  expect(papered(tryOn({ wall }), undefined)).toEqual({
    wall,
    print: undefined,
    plan: undefined,
    problem: undefined,
  });
});

it('counts a pattern that lies on its side by what it repeats after then, and one at any other angle without a match', () => {
  const wide = { ...REPEAT, height: 900 };
  expect(papered(tryOn({ rotation: 90 }), wide).plan).toEqual(planRolls({ ...FIRST_WALL, repeat: 265 }));
  const askew = papered(tryOn({ rotation: 20 }), wide);
  expect(askew.print).toBeUndefined();
  expect(askew.plan).toEqual(planRolls({ ...FIRST_WALL, match: 'free', repeat: 1 }));
});
