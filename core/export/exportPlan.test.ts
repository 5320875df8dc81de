import { MM_PER_INCH } from '../units/index.ts';
import { NO_BLEED } from './bleed.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Repeat, SQUARE, step } from '../lattice/index.ts';
import { anyRepeat } from '../testing/arbitraries.ts';
import { type ExportOrder, tileOrder } from './exportOrder.ts';
import { exportPlan } from './exportPlan.ts';
import { type Extent, measureExtent } from './extent.ts';
import { trimMarks } from './trimMarks.ts';

const anyExtent: fc.Arbitrary<Extent> = fc.oneof(
  fc.constant({ kind: 'tile' } as const),
  fc.constant({ kind: 'cell' } as const),
  fc.record({ kind: fc.constant('repeats' as const), columns: fc.nat(4).map(up), rows: fc.nat(4).map(up) }),
  fc.record({
    kind: fc.constant('length' as const),
    width: fc.integer({ min: 20, max: 900 }),
    height: fc.constant(333),
  }),
);
function up(n: number): number {
  return n + 1;
}

const order = (part: Partial<ExportOrder>): ExportOrder => ({
  ...tileOrder({ kind: 'density', dpi: 300 }),
  ...part,
});
const tile = { width: 100, height: 80, step: SQUARE };

describe('the plan of a file', () => {
  it('keeps the asked density, or makes one that gives the cell its true width', () => {
    const byDensity = exportPlan(tile, order({}));
    expect(byDensity.density).toBe(300);
    expect(byDensity).toMatchObject({ width: 1181, height: 945, refusal: undefined });
    const byWidth = exportPlan(tile, order({ size: { kind: 'pixels', width: 1000 } }));
    expect(byWidth.density).toBeCloseTo(254, 9);
    expect(byWidth.error.widthMm).toBeCloseTo(0, 9);
    expect(byWidth).toMatchObject({ width: 1000, height: 800 });
  });

  it('prints what goes into it as wide as wished', () => {
    const size = { kind: 'print', width: 50, dpi: 254 } as const;
    const half = exportPlan(tile, order({ size }));
    expect(half).toMatchObject({ width: 500, height: 400, density: 254 });
    // That it is half as large is no error.
    expect([half.error.widthMm, half.error.heightMm]).toEqual([expect.closeTo(0, 9), expect.closeTo(0, 9)]);
    const extent = { kind: 'repeats', columns: 5, rows: 2 } as const;
    expect(exportPlan(tile, order({ size, extent }))).toMatchObject({ width: 500, height: 160, density: 254 });
  });

  it('is as large as its extent, to the pixel that wholeness costs each cell', () => {
    fc.assert(
      fc.property(anyRepeat, anyExtent, fc.integer({ min: 20, max: 200 }), (repeat, extent, dpi) => {
        const { width, height, grid, trim } = exportPlan(repeat, order({ extent, size: { kind: 'density', dpi } }));
        const mm = measureExtent(extent, repeat);
        expect([width, height]).toEqual([trim.right, trim.bottom]);
        // A page is as large as it was asked for; what is of cells is as large as these.
        const [x, y] = extent.kind === 'length' ? [dpi / MM_PER_INCH, dpi / MM_PER_INCH] : [grid.scaleX, grid.scaleY];
        expect(Math.abs(width - mm.width * x)).toBeLessThanOrEqual(0.5 + 1e-6);
        expect(Math.abs(height - mm.height * y)).toBeLessThanOrEqual(0.5 + 1e-6);
      }),
    );
  });

  it('is a page to the pixel, whatever the repeat that is seen on it', () => {
    fc.assert(
      fc.property(anyRepeat, (repeat) => {
        const a4 = { kind: 'length', width: 210, height: 297 } as const;
        const sized = (size: ExportOrder['size']) => exportPlan(repeat, order({ extent: a4, size }));
        expect(sized({ kind: 'density', dpi: 150 })).toMatchObject({ width: 1240, height: 1754 });
        expect(sized({ kind: 'pixels', width: 1280 }).width).toBe(1280);
      }),
    );
  });

  it('lays n × m tiles beside each other, whatever the step', () => {
    fc.assert(
      fc.property(
        anyRepeat,
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        (repeat, columns, rows) => {
          const single = exportPlan(repeat, order({}));
          const several = exportPlan(repeat, order({ extent: { kind: 'repeats', columns, rows } }));
          expect([several.width, several.height]).toEqual([columns * single.width, rows * single.height]);
          expect(several.grid).toEqual(single.grid);
        },
      ),
    );
  });

  it('bleeds by whole pixels, and keeps the marks outside', () => {
    fc.assert(
      fc.property(
        anyRepeat,
        fc.record({ unit: fc.constantFrom('px' as const, 'mm' as const), amount: fc.integer({ min: 0, max: 40 }) }),
        fc.boolean(),
        (repeat, bleed, marks) => {
          const bare = exportPlan(repeat, order({}));
          const plan = exportPlan(repeat, order({ bleed, marks }));
          const { trim, painted, page } = plan;
          expect(plan.grid).toEqual(bare.grid);
          expect(trim).toEqual(bare.trim);
          const each = bleed.unit === 'px' ? bleed.amount : Math.round(bleed.amount * plan.grid.scaleX);
          expect([painted.left, painted.right]).toEqual([0 - each, trim.right + each]);
          for (const mark of trimMarks(plan).slice(0, marks ? undefined : 0)) {
            expect(mark.left).toBeGreaterThanOrEqual(page.left - 1);
            expect(mark.bottom).toBeLessThanOrEqual(page.bottom + 2);
            const outside =
              mark.right <= painted.left ||
              mark.left >= painted.right ||
              mark.bottom <= painted.top ||
              mark.top >= painted.bottom;
            expect(outside).toBe(true);
          }
        },
      ),
    );
  });

  it('makes both sides of a texture powers of two where the step can be divided so, and says what that costs', () => {
    const texture = (repeat: Repeat, side: 512 | 1024) =>
      exportPlan(repeat, order({ size: { kind: 'texture', side } }));
    expect(texture({ width: 100, height: 100, step: SQUARE }, 512)).toMatchObject({
      width: 512,
      height: 512,
      stretch: 0,
    });
    const oblong = texture({ width: 100, height: 60, step: SQUARE }, 1024);
    expect(oblong).toMatchObject({ width: 1024, height: 512 });
    // 512 pixels for 60 mm against 1024 for 100 mm.
    expect(oblong.stretch).toBeCloseTo(512 / 60 / 10.24 - 1, 12);
    expect(texture({ width: 100, height: 100, step: step('half-drop') }, 1024)).toMatchObject({
      width: 1024,
      height: 512,
    });
    expect(texture({ width: 100, height: 100, step: step('half-drop', 1, 3) }, 1024).refusal).toMatch(
      /3 cells wide and 1 high, which 1024 pixels cannot be divided into/,
    );
  });

  it('refuses what is too large, and says how large it would be', () => {
    const sheet = { width: 3000, height: 3000, step: step('brick', 1, 12) };
    expect(exportPlan(sheet, order({})).refusal).toMatch(
      /^That would be 15\d{3} megapixels; the most for a PNG is 400\. Choose a lower density or a smaller size\.$/,
    );
    const strip = { width: 5000, height: 5, step: SQUARE };
    expect(exportPlan(strip, order({})).refusal).toMatch(/59\d{3} pixels wide; the maximum is 32000/);
    const tall = { width: 5, height: 5000, step: SQUARE };
    expect(exportPlan(tall, order({ format: 'webp' })).refusal).toMatch(/a WebP has at most 16383/);
    expect(exportPlan(tall, order({ bleed: NO_BLEED })).refusal).toBeUndefined();
  });
});
