import fc from 'fast-check';
import { type Ground, TEXTURES } from '../document/index.ts';

const share = fc.double({ min: 0, max: 1, noNaN: true });
const waves = fc
  .record({ across: fc.integer({ min: -9, max: 9 }), down: fc.integer({ min: -9, max: 9 }) })
  .filter(({ across, down }) => across !== 0 || down !== 0);

/** Every kind of ground with more than one colour, printed in some of the inks; texture marks are large enough to be few. */
export function patternedGrounds(inks: readonly string[]): fc.Arbitrary<Exclude<Ground, { kind: 'none' | 'flat' }>> {
  const ink = fc.constantFrom(...inks);
  const stops = fc
    .array(fc.record({ ink, at: share }), { minLength: 2, maxLength: 5 })
    .map((list) => list.sort((a, b) => a.at - b.at));
  return fc.oneof(
    fc
      .record({ kind: fc.constantFrom('gradient', 'stripes'), stops, waves })
      .map(({ kind, stops, waves }) => ({ kind, stops, ...waves }) as const),
    fc.record({
      kind: fc.constant('checks'),
      inks: fc.tuple(ink, ink),
      across: fc.integer({ min: 1, max: 20 }),
      down: fc.integer({ min: 1, max: 20 }),
      share: fc.double({ min: 0.05, max: 0.95, noNaN: true }),
      crossing: fc.constantFrom('exchanged', 'woven'),
    }),
    fc.record({
      kind: fc.constant('texture'),
      texture: fc.constantFrom(...TEXTURES),
      inks: fc.array(ink, { minLength: 1, maxLength: 2 }),
      scale: fc.double({ min: 2, max: 8, noNaN: true }),
      strength: share,
      seed: fc.nat(999_999),
    }),
  );
}
