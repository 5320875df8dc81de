import { describe, expect, it } from 'vitest';
import type { Box } from '../../../core/geometry/index.ts';
import { PAGE_SIZES } from '../../../core/units/index.ts';
import { type PathText, pathBounds } from '../../../core/motif/index.ts';
import { shapeFile, shapeName } from './plainShape.ts';

describe('a plain shape', () => {
  it('is called by its page or screen, or by its size', () => {
    for (const { name, width, height } of PAGE_SIZES)
      expect(shapeName({ kind: 'rectangle', width, height })).toBe(name);
    expect(shapeName({ kind: 'rectangle', width: 300, height: 200.5 })).toBe('Rectangle 300 × 200.5 mm');
    expect(shapeName({ kind: 'circle', width: 300, height: 300 })).toBe('Circle 300 mm');
    expect(shapeName({ kind: 'circle', width: 300, height: 200 })).toBe('Ellipse 300 × 200 mm');
    expect(shapeName({ kind: 'heart', width: 210, height: 297 })).toBe('Heart 210 × 297 mm');
  });

  it('is drawn at its size', async () => {
    const file = shapeFile({ kind: 'circle', width: 30, height: 20 });
    expect(file.name).toBe('Ellipse 30 × 20 mm.svg');
    expect(await file.text()).toContain(
      'width="30mm" height="20mm" viewBox="0 0 30 20"><ellipse cx="15" cy="10" rx="15" ry="10"/>',
    );
    const heart = await shapeFile({ kind: 'heart', width: 300, height: 280 }).text();
    const { left, right, top, bottom } = pathBounds(/d="([^"]+)"/.exec(heart)?.[1] as PathText) as Box;
    expect([left, right, top, bottom].map(Math.round)).toEqual([-150, 150, -140, 140]);
    expect(heart).toContain('translate(150 140)');
  });
});
