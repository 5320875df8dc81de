import { expect, it } from 'vitest';
import { type MaskedPhoto, maskOf, type MaskStep } from '../../../core/tryon/index.ts';
import { makeMask } from './knownMask.ts';

const photo: MaskedPhoto = { data: new Uint8ClampedArray(30 * 20 * 4).fill(90), width: 30, height: 20, scale: 1 };
const stroke = (x: number): MaskStep => ({ kind: 'stroke', shows: false, width: 5, points: [{ x, y: 9 }] });

it('goes on from what is known, and begins anew after an undo or on another photograph', () => {
  const [a, b, c] = [stroke(5), stroke(12), stroke(20)];
  const first = makeMask(photo, [a, b], undefined);
  expect(first.mask).toEqual(maskOf([a, b], photo));
  const second = makeMask(photo, [a, b, c], first);
  expect(second.mask).toEqual(maskOf([a, b, c], photo));
  // What was known stays as it was.
  expect(first.mask).toEqual(maskOf([a, b], photo));
  expect(makeMask(photo, [a], second).mask).toEqual(maskOf([a], photo));
  expect(makeMask(photo, [b], second).mask).toEqual(maskOf([b], photo));
  const other = { ...photo, scale: 0.5 };
  expect(makeMask(other, [a, b, c], second).mask).toEqual(maskOf([a, b, c], other));
});
