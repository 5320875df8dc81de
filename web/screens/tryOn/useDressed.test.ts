import { expect, it } from 'vitest';
import { newTryOn, type Product } from '../../../core/tryon/index.ts';
import type { Dressed } from './dressMessages.ts';
import { dress, joined } from './useDressed.ts';

const part = (height: number, level: number, took: number): Dressed => ({
  width: 2,
  height,
  pixels: new Uint8ClampedArray(2 * height * 4).fill(level),
  took,
});

it('puts the parts of a picture together, one below the other', () => {
  const whole = joined([part(2, 10, 5), part(1, 20, 9)]);
  expect(whole).toMatchObject({ width: 2, height: 3, took: 9 });
  expect([...(whole?.pixels ?? [])]).toEqual([...Array<number>(16).fill(10), ...Array<number>(8).fill(20)]);
  const only = part(2, 3, 1);
  expect(joined([only])).toBe(only);
  expect(joined([])).toBeUndefined();
});

it('comes to nothing, and not to a silence, once the workers are ended in the middle of it', async () => {
  const ending = new AbortController();
  const silent = { setPattern: () => Promise.resolve(), dress: () => new Promise<never>(() => undefined) };
  const tryOn = newTryOn('Mug', { id: 'mug' } as Product, { design: 'd' });
  const wish = { tryOn, side: 100, isQuick: false, patterns: new Map() };
  const dressing = dress({ ...wish, workers: [silent], ended: ending.signal });
  ending.abort();
  expect(await dressing).toBeUndefined();
  expect(await dress({ ...wish, workers: [silent], ended: ending.signal })).toBeUndefined();
});
