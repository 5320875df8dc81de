import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Papering, planRolls, ROLL_MATCHES } from './rolls.ts';

const anyPapering = fc
  .record({
    width: fc.integer({ min: 300, max: 9000 }),
    height: fc.integer({ min: 500, max: 3200 }),
    rollWidth: fc.constantFrom(520, 530, 686, 700, 1000),
    rollLength: fc.constantFrom(8200, 10_000, 10_050, 25_000),
    match: fc.constantFrom(...ROLL_MATCHES),
    repeat: fc.constantFrom(80, 265, 320, 530, 640),
  })
  .map((papering): Papering => papering);

/** The fewest rolls, by trying every order in which the drops can be cut. */
function fewest({ width, height, rollWidth, rollLength, match, repeat }: Papering): number {
  const count = Math.ceil(width / rollWidth);
  const known = new Map<string, number>();
  const search = (a: number, b: number, used: number): number => {
    if (a + b === 0) return 0;
    const key = `${a} ${b} ${used}`;
    const found = known.get(key);
    if (found !== undefined) return found;
    let best = Infinity;
    for (const phase of [0, 1] as const) {
      if ((phase === 0 ? a : b) === 0) continue;
      const rest = phase === 0 ? ([a - 1, b] as const) : ([a, b - 1] as const);
      const shift = (phase * repeat) / 2;
      const start = (from: number): number =>
        match === 'free' ? from : shift + repeat * Math.max(0, Math.ceil((from - shift) / repeat));
      const here = start(used) + height;
      if (here <= rollLength) best = Math.min(best, search(...rest, here));
      const fresh = start(0) + height;
      if (used > 0 && fresh <= rollLength) best = Math.min(best, 1 + search(...rest, fresh));
    }
    known.set(key, best);
    return best;
  };
  return match === 'half-drop' ? 1 + search(Math.ceil(count / 2), Math.floor(count / 2), 0) : 1 + search(count, 0, 0);
}

describe('the rolls of a wall', () => {
  it('are as few as any way of cutting them allows', () => {
    fc.assert(
      fc.property(anyPapering, (papering) => {
        expect(planRolls(papering).rolls).toBe(fewest(papering));
      }),
    );
  });

  it('give drops that cover the wall, lie apart on their rolls, and match their neighbours', () => {
    fc.assert(
      fc.property(anyPapering, (papering) => {
        const { width, height, rollLength, match, repeat } = papering;
        const { drops, rolls, left, waste } = planRolls(papering);
        expect(drops.reduce((sum, drop) => sum + drop.width, 0)).toBeCloseTo(width, 6);
        for (let roll = 1; roll <= rolls; roll += 1) {
          const cut = drops.filter((drop) => drop.roll === roll).sort((a, b) => a.from - b.from);
          let used = 0;
          for (const drop of cut) {
            expect(drop.from - used).toBeCloseTo(drop.waste, 6);
            expect(drop.from).toBeGreaterThanOrEqual(used - 1e-6);
            used = drop.from + height;
          }
          expect(used).toBeLessThanOrEqual(rollLength + 1e-6);
        }
        if (match !== 'free')
          drops.forEach(({ from }, n) => {
            const phase = (from / repeat) % 1;
            const wished = match === 'half-drop' && n % 2 === 1 ? 0.5 : 0;
            expect(
              Math.min(Math.abs(phase - wished), Math.abs(phase - wished - 1), Math.abs(phase - wished + 1)),
            ).toBeLessThan(1e-6);
          });
        expect(drops.length * height + left + waste).toBeCloseTo(rolls * rollLength, 4);
      }),
    );
  });

  it('cannot be planned for a wall higher than a roll is long, which is said', () => {
    const papering = {
      width: 3000,
      height: 2600,
      rollWidth: 530,
      rollLength: 2500,
      match: 'straight',
      repeat: 530,
    } as const;
    expect(() => planRolls(papering)).toThrow(/Use longer rolls/);
    expect(() => planRolls({ ...papering, rollLength: 10_000, rollWidth: 1 })).toThrow(/Use a wider roll/);
  });
});
