import { describe, expect, it } from 'vitest';
import { svgLengthMm } from './svgSize.ts';

describe('svgLengthMm', () => {
  it.each([
    ['60mm', 60],
    ['2in', 50.8],
    ['72pt', 25.4],
    ['120', undefined],
    ['120px', undefined],
    ['100%', undefined],
    [undefined, undefined],
    ['-5mm', undefined],
  ])('reads %s', (text, mm) =>
    mm === undefined ? expect(svgLengthMm(text)).toBeUndefined() : expect(svgLengthMm(text)).toBeCloseTo(mm, 9),
  );
});
