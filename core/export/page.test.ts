import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { step } from '../lattice/index.ts';
import { PAGE_SIZES } from '../units/index.ts';
import { type AnyOrder, isVectorOrder } from './anyOrder.ts';
import { tileOrder } from './exportOrder.ts';
import { exportPlan } from './exportPlan.ts';
import { extentSchema } from './extent.ts';
import { fillPage, type Page, pageName, pageOf, pageScales, turned } from './page.ts';
import { vectorTileOrder } from './vectorOrder.ts';
import { vectorPage } from './vectorPage.ts';

const repeat = { width: 170, height: 130, step: step('half-drop') };
const sizes = fc.constantFrom(...PAGE_SIZES, ...PAGE_SIZES.map(turned));
const scales = fc.integer({ min: 10, max: 1000 }).map((percent) => percent / 100);
const pages: fc.Arbitrary<Page> = fc
  .record({ size: sizes, scale: scales })
  .map(({ size, scale }) => ({ ...size, scale }));
const orders = fc.constantFrom<AnyOrder>(
  tileOrder({ kind: 'density', dpi: 150 }),
  tileOrder({ kind: 'print', width: 100, dpi: 150 }),
  tileOrder({ kind: 'pixels', width: 700 }),
  tileOrder({ kind: 'texture', side: 512 }),
  vectorTileOrder('pdf'),
);

describe('a page', () => {
  it('comes back from the order that fills it, with its name', () => {
    fc.assert(
      fc.property(orders, pages, (order, page) => {
        const filled = fillPage(order, page);
        const back = pageOf(filled);
        expect(back?.width).toBeCloseTo(page.width, 6);
        expect(back?.height).toBeCloseTo(page.height, 6);
        expect(back?.scale).toBeCloseTo(page.scale, 9);
        // Shapes have no pixels.
        if (!isVectorOrder(filled)) expect(back && pageName(back)).toBe(pageName(page));
      }),
    );
  });

  it('has its own pixels or millimetres at every scale', () => {
    fc.assert(
      fc.property(sizes, scales, (size, scale) => {
        const raster = fillPage(tileOrder({ kind: 'density', dpi: 150 }), { ...size, scale });
        if (isVectorOrder(raster)) throw new Error('pixels became shapes');
        const { width, height } = exportPlan(repeat, raster);
        const dots = size.pixels === undefined ? 150 / 25.4 : size.pixels / size.width;
        expect([width, height]).toEqual([Math.round(size.width * dots), Math.round(size.height * dots)]);
        const shapes = fillPage(vectorTileOrder('pdf'), { ...size, scale });
        if (!isVectorOrder(shapes)) throw new Error('shapes became pixels');
        const sheet = vectorPage(repeat, shapes);
        expect(sheet.width).toBeCloseTo(size.width, 9);
        expect(sheet.height).toBeCloseTo(size.height, 9);
        expect(sheet.scale).toBeCloseTo(scale, 9);
      }),
    );
  });

  it('is not known where only the pixels are, nor of what is no length', () => {
    const length = { kind: 'length', width: 300, height: 200 } as const;
    expect(pageOf({ ...tileOrder({ kind: 'pixels', width: 2048 }), extent: length })).toBeUndefined();
    expect(pageOf(tileOrder({ kind: 'density', dpi: 300 }))).toBeUndefined();
    expect(pageOf({ ...tileOrder({ kind: 'density', dpi: 300 }), extent: length })).toEqual({
      ...length,
      kind: undefined,
      scale: 1,
    });
  });

  it('shows the pattern at scales whose length of cloth is allowed', () => {
    fc.assert(
      fc.property(sizes, fc.constantFrom(0, 1), (size, end) => {
        const scale = pageScales(size)[end] as number;
        const { extent } = fillPage(tileOrder({ kind: 'density', dpi: 150 }), { ...size, scale });
        expect(extentSchema.isValidSync(extent, { strict: true })).toBe(true);
      }),
    );
  });
});
