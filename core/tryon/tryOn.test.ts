import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { transform } from '../geometry/index.ts';
import { clothOntoPattern, hangAt, layAbout, patternOntoCloth } from './patternMatrix.ts';
import type { Product } from './product.ts';
import {
  fillOf,
  newTryOn,
  onProduct,
  partPiece,
  sourcesOf,
  type TryOn,
  tryOnSchema,
  withLay,
  withOrigin,
  withPieceSource,
} from './tryOn.ts';

const piece = (id: string, x: number, grain = 0) => ({
  id,
  name: id,
  face: { kind: 'flat', x: 0, y: 0, unit: 1, rotation: 0 } as const,
  grain,
  datum: { x, y: 10 },
});
const PRODUCT: Product = {
  version: 1,
  id: 'vest',
  name: 'Vest',
  group: 'clothes',
  size: '',
  width: 100,
  height: 100,
  backdrop: '#ffffff',
  pieces: [piece('front', 0), piece('back', 250, 90), piece('collar', 40)],
};
const IDS = PRODUCT.pieces.map(({ id }) => id);

const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyId = fc.constantFrom(...IDS);
/** Something that is done to a try-on by hand. */
const anyEdit = fc.oneof(
  fc.record({ id: anyId, scale: real(0.1, 8) }).map(
    ({ id, scale }) =>
      (t: TryOn) =>
        withLay(t, id, { scale }),
  ),
  fc.record({ id: anyId, rotation: real(-180, 180) }).map(
    ({ id, rotation }) =>
      (t: TryOn) =>
        withLay(t, id, { rotation }),
  ),
  fc.record({ id: anyId, scale: real(0.1, 8), x: real(-200, 200), y: real(-200, 200) }).map(
    ({ id, scale, x, y }) =>
      (t: TryOn) =>
        layAbout(t, PRODUCT, id, { scale }, { x, y }),
  ),
  fc.record({ id: anyId, x: real(-99, 99), y: real(-99, 99) }).map(
    ({ id, x, y }) =>
      (t: TryOn) =>
        withOrigin(t, id, x, y),
  ),
  anyId.map((id) => (t: TryOn) => withPieceSource(t, id, { swatch: 'other' })),
);

describe('a try-on', () => {
  it('keeps one size and angle on all its pieces under every edit, until one is parted', () => {
    fc.assert(
      fc.property(
        fc.array(anyEdit, { maxLength: 12 }),
        fc.array(anyEdit, { maxLength: 12 }),
        anyId,
        (edits, more, parted) => {
          const before = edits.reduce((t, edit) => edit(t), newTryOn('Vest', PRODUCT, { design: 'd' }));
          const fills = IDS.map((id) => fillOf(before, id));
          for (const { scale, rotation } of fills)
            expect([scale, rotation]).toEqual([fills[0]?.scale, fills[0]?.rotation]);
          const after = more.reduce((t, edit) => edit(t), partPiece(before, parted, true));
          const rest = IDS.filter((id) => id !== parted).map((id) => fillOf(after, id));
          expect(rest[0]?.scale).toBe(rest[1]?.scale);
          expect(rest[0]?.rotation).toBe(rest[1]?.rotation);
          expect(tryOnSchema.isValidSync(after, { strict: true })).toBe(true);
        },
      ),
    );
  });

  it('is turned and scaled about the point that was clicked, which keeps the pattern it shows', () => {
    fc.assert(
      fc.property(
        anyId,
        real(0.1, 8),
        real(-179, 179),
        real(-300, 300),
        real(-300, 300),
        (id, scale, rotation, x, y) => {
          const own = PRODUCT.pieces.find((one) => one.id === id) ?? piece('', 0);
          const before = withOrigin(newTryOn('Vest', PRODUCT, { design: 'd' }), id, 17, -4);
          const after = layAbout(before, PRODUCT, id, { scale, rotation }, { x, y });
          const [was, is] = [before, after].map((t) => transform(clothOntoPattern(own, fillOf(t, id)), { x, y }));
          expect(is?.x).toBeCloseTo(was?.x ?? NaN, 6);
          expect(is?.y).toBeCloseTo(was?.y ?? NaN, 6);
          expect(fillOf(after, id).scale).toBeCloseTo(scale, 12);
        },
      ),
    );
  });

  it('hangs a point of the pattern exactly where it is wanted', () => {
    const tryOn = withLay(newTryOn('Vest', PRODUCT, { design: 'd' }), 'back', { scale: 0.4, rotation: 33 });
    const back = PRODUCT.pieces[1] ?? piece('', 0);
    const hung = hangAt(tryOn, back, { x: 12, y: 34 }, { x: 200, y: 100 });
    const seen = transform(patternOntoCloth(back, fillOf(hung, 'back')), { x: 12, y: 34 });
    expect(seen.x).toBeCloseTo(200, 9);
    expect(seen.y).toBeCloseTo(100, 9);
  });

  it('takes its size along to another product, and leaves behind what was arranged on pieces that are not there', () => {
    const tryOn = withOrigin(
      withLay(newTryOn('Vest', PRODUCT, { design: 'd' }), 'front', { scale: 0.5 }),
      'collar',
      3,
      4,
    );
    const apron = { ...PRODUCT, id: 'apron', pieces: PRODUCT.pieces.slice(0, 1) };
    expect(onProduct(tryOn, apron)).toMatchObject({ product: 'apron', scale: 0.5, pieces: [] });
  });

  it('names each of its patterns once', () => {
    const tryOn = withPieceSource(newTryOn('Vest', PRODUCT, { design: 'd' }), 'back', { swatch: 's', version: 2 });
    expect(sourcesOf(tryOn, PRODUCT.pieces)).toEqual([{ design: 'd' }, { swatch: 's', version: 2 }]);
    expect(tryOnSchema.isValidSync({ ...tryOn, source: { design: 'd', swatch: 's' } }, { strict: true })).toBe(false);
  });
});
