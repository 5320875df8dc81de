import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SQUARE, step } from '../lattice/index.ts';
import { tileOrder } from './exportOrder.ts';
import { cleanFileName, distinctNames, nameFromTemplate, TEMPLATE_FIELDS, templateSchema } from './fileTemplate.ts';
import { orderFileName } from './orderFacts.ts';
import { vectorTileOrder } from './vectorOrder.ts';

const REPEAT = { width: 100, height: 80, step: SQUARE };
const OF = { name: 'Low Tide', date: '2026-11-27', number: 3 };

describe('a template of file names', () => {
  it('fills in what is known of the file', () => {
    const template = '{number} {name}, {contents}, {size} {density} {format} {date}';
    expect(orderFileName(template, REPEAT, tileOrder({ kind: 'density', dpi: 254 }), OF)).toBe(
      '03 Low Tide, tile, 1000x800 254dpi PNG 2026-11-27.png',
    );
    const vector = { ...vectorTileOrder('pdf'), extent: { kind: 'repeats', columns: 2, rows: 3 }, width: 50 } as const;
    expect(
      orderFileName('{name} {contents} {size} {density}', { ...REPEAT, step: step('half-drop') }, vector, OF),
    ).toBe('Low Tide 2x3 50x30mm.pdf');
    expect(orderFileName('{name}', REPEAT, { ...vectorTileOrder('css'), inline: false }, OF)).toBe('Low Tide.zip');
  });

  it('may have the fields that there are, and no others', () => {
    for (const field of TEMPLATE_FIELDS) expect(templateSchema.isValidSync(`a {${field}} b`)).toBe(true);
    for (const wrong of ['', '{colour}', '{}', `{name}${'x'.repeat(200)}`])
      expect(templateSchema.isValidSync(wrong)).toBe(false);
  });

  it('gives a name that every system takes, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        const name = cleanFileName(text, 'Swatch');
        expect(name).not.toMatch(/[\u0000-\u001f<>:"/\\|?*]|^[ .]|[ .]$/); // oxlint-disable-line no-control-regex -- what is sought
        expect(name.length).toBeGreaterThan(0);
        expect(name.length).toBeLessThanOrEqual(80);
      }),
    );
    expect(
      nameFromTemplate('..{name}', {
        ...OF,
        name: '../a/b',
        contents: 'tile',
        width: 1,
        height: 1,
        unit: 'px',
        density: 1,
        format: 'PNG',
      }),
    ).toBe('a b');
  });

  it('never is empty', () => {
    expect(orderFileName('{density}', REPEAT, vectorTileOrder('svg'), { ...OF, name: '//' })).toBe('Swatch.svg');
  });

  it('numbers equal names, so that none is written over', () => {
    expect(distinctNames(['a.png', 'A.png', 'a.svg', 'a.png'])).toEqual(['a.png', 'A 2.png', 'a.svg', 'a 3.png']);
    fc.assert(
      fc.property(fc.array(fc.constantFrom('a.png', 'A.png', 'a 2.png', 'a 3.png', 'b')), (names) => {
        const lower = distinctNames(names).map((name) => name.toLowerCase());
        expect(new Set(lower).size).toBe(names.length);
      }),
    );
  });
});
