import { describe, expect, it } from 'vitest';
import { pathBounds } from './pathData.ts';

describe('path bounds', () => {
  it('are those of the curve, not of its handles', () => {
    expect(pathBounds('M 0 0 C 0 4 4 4 4 0')).toEqual({ left: 0, top: 0, right: 4, bottom: 3 });
    const arch = pathBounds('M 0 0 Q 2 4 4 0');
    expect(arch?.bottom).toBeCloseTo(2, 12);
    expect(pathBounds('')).toBeUndefined();
    expect(() => pathBounds('M 0 A 3')).toThrow(SyntaxError);
  });
});
