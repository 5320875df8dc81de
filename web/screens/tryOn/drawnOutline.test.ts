import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pathBounds } from '../../../core/motif/index.ts';
import { type DrawnOutline, drawnOutline, outlineIn } from './drawnOutline.ts';
import { isDrawn, resized, shapeFile, type PlainShape } from './plainShape.ts';

/** An ellipse as a hand draws it, not quite closed. */
const ellipse = (rx: number, ry: number, count = 50): { x: number; y: number }[] =>
  Array.from({ length: count }, (_, n) => {
    const angle = (2 * Math.PI * n) / (count + 1);
    return { x: 300 + rx * Math.cos(angle), y: 130 + ry * Math.sin(angle) };
  });

describe('an outline drawn by hand', () => {
  it('fills the size that is asked for to the hundredth of a millimetre, wherever and however large it was drawn', () => {
    const sides = fc.double({ min: 10, max: 120, noNaN: true });
    const sizes = fc.double({ min: 1, max: 20_000, noNaN: true });
    fc.assert(
      fc.property(sides, sides, sizes, sizes, (rx, ry, width, height) => {
        const box = pathBounds(outlineIn(drawnOutline(ellipse(rx, ry)) as DrawnOutline, width, height));
        expect(box?.left).toBeCloseTo(0, 2);
        expect(box?.top).toBeCloseTo(0, 2);
        expect(box?.right).toBeCloseTo(width, 2);
        expect(box?.bottom).toBeCloseTo(height, 2);
      }),
    );
  });

  it('is none where the hand slipped, or drew nothing but a line', () => {
    expect(drawnOutline([{ x: 4, y: 4 }])).toBeUndefined();
    expect(drawnOutline(ellipse(3, 3))).toBeUndefined();
    expect(drawnOutline(ellipse(80, 2))).toBeUndefined();
  });

  it('stays in proportion, whichever side is typed', async () => {
    const empty: PlainShape = { kind: 'outline', width: 210, height: 297 };
    expect(isDrawn(empty)).toBe(false);
    const outline = drawnOutline(ellipse(100, 50)) as DrawnOutline;
    const shape = resized({ ...empty, outline }, {});
    expect(shape.width).toBe(210);
    expect(Math.abs(shape.height - 105)).toBeLessThan(2);
    const tall = resized(shape, { height: 300 });
    expect(tall.width / tall.height).toBeCloseTo(shape.width / shape.height, 9);
    expect(tall.height).toBeCloseTo(300, 9);
    const file = await shapeFile(tall).text();
    expect(file).toContain('<path d="M');
  });
});
