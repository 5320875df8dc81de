import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseAmount } from './amount.ts';
import { QuantityError } from './evaluate.ts';
import { formatLength, type LengthUnit, mmPer, parseLength } from './length.ts';

const read = (text: string, unit: LengthUnit = 'mm', rest = {}): number => parseLength(text, { unit, ...rest });

describe('parseLength', () => {
  it.each([
    ['64cm', 640],
    ['64 CM', 640],
    ['2in', 50.8],
    ['2 1/2 in', 63.5],
    ['2½ in', 63.5],
    ['½in', 12.7],
    ['1/2 in', 12.7],
    ['12.5mm', 12.5],
    ['12,5', 12.5],
    ['.5cm', 5],
    ['640/3', 640 / 3],
    ['64cm/3', 640 / 3],
    ['3*8cm', 240],
    ['3 × 8cm', 240],
    ['8cm+5', 85],
    ['(8+4)cm', 120],
    ['2*(3+4)', 14],
    ['1in - 4mm', 21.4],
    ['300px', 25.4],
    ['3″', 76.2],
    ['1m', 1000],
    ['10-2*3', 4],
  ])('reads %s as %d mm', (text, mm) => expect(read(text)).toBeCloseTo(mm, 9));

  it('takes a bare number in the unit shown', () => {
    expect(read('3', 'in')).toBeCloseTo(76.2, 9);
    expect(read('2 1/2', 'in')).toBeCloseTo(63.5, 9);
    expect(read('300', 'px', { dpi: 150 })).toBeCloseTo(50.8, 9);
    expect(read('1cm+1', 'in')).toBeCloseTo(35.4, 9);
  });

  it('adds to the current value after a leading sign', () => {
    expect(read('+12', 'mm', { current: 100 })).toBe(112);
    expect(read('+1in', 'mm', { current: 100 })).toBeCloseTo(125.4, 9);
    expect(read('-12', 'mm', { current: 100 })).toBe(88);
    expect(read('-12', 'mm', { current: 100, signed: true })).toBe(-12);
    expect(read('+-12', 'mm', { current: 100, signed: true })).toBe(88);
  });

  it.each([
    ['', /Type a number/],
    ['abc', /“abc” is not a unit/],
    ['12 furlongs', /not a unit here; use mm, cm/],
    ['5/0', /divides by zero/],
    ['3cm*2cm', /plain numbers/],
    ['(3', /bracket/],
    ['3)', /left over/],
    ['4 5', /left over/],
    ['3+', /ends too early/],
    ['mm', /needs a number/],
    ['*3', /out of place/],
    ['#', /cannot be read/],
    ['-4', /greater than zero/],
    ['0', /greater than zero/],
    ['9e9', /not a unit/],
  ])('explains what is wrong with “%s”', (text, sentence) => {
    expect(() => read(text)).toThrow(QuantityError);
    expect(() => read(text)).toThrow(sentence);
  });

  it('names the bound that is passed, in the unit shown', () => {
    expect(() => read('1', 'mm', { min: 5 })).toThrow('The minimum is 5 mm.');
    expect(() => read('9', 'in', { max: 50.8 })).toThrow('The maximum is 2 in.');
  });

  const unit = fc.constantFrom<LengthUnit>('mm', 'cm', 'in', 'px');
  /** Half the last digit that is ever written. */
  const half = (u: LengthUnit): number => 0.5 * mmPer(u) * (u === 'px' ? 0.101 : u === 'mm' ? 0.0101 : 0.00101);

  it('reads back what formatLength writes to half a per cent, or to the last digit', () => {
    fc.assert(
      fc.property(unit, fc.double({ min: 0.5, max: 4000, noNaN: true }), (u, mm) => {
        expect(Math.abs(read(formatLength(mm, u), u) - mm)).toBeLessThanOrEqual(Math.max(half(u), 0.00501 * mm));
      }),
    );
  });

  it('reads back exactly what was typed to the hundredth', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400_000 }), (hundredths) => {
        expect(read(formatLength(hundredths / 100, 'mm'))).toBe(hundredths / 100);
      }),
    );
  });

  it('never throws anything but a sentence', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'0123456789.,+-*/() cmin"½°x') }), (text) => {
        try {
          expect(Number.isFinite(read(text))).toBe(true);
        } catch (error) {
          expect(error).toBeInstanceOf(QuantityError);
        }
      }),
      { numRuns: 1000 },
    );
  });
});

describe('formatLength', () => {
  it.each([
    [640, 'mm', '640 mm'],
    [640, 'cm', '64 cm'],
    [25.4, 'in', '1 in'],
    [213.333333, 'mm', '213 mm'],
    [109.5, 'mm', '109.5 mm'],
    [51.9713, 'mm', '52 mm'],
    [299.9999, 'mm', '300 mm'],
    [1.23456, 'mm', '1.23 mm'],
    [96.1111, 'in', '3.78 in'],
    [-0.001, 'mm', '0 mm'],
    [100, 'mm', '100 mm'],
  ] as const)('writes %d in %s as %s', (mm, unit, text) => expect(formatLength(mm, unit)).toBe(text));
});

describe('parseAmount', () => {
  it('reads angles and shares with their sign, sums and bounds', () => {
    expect(parseAmount('360/7°', { sign: '°' })).toBeCloseTo(51.428571, 5);
    expect(parseAmount('-30', { sign: '°', current: 90 })).toBe(-30);
    expect(parseAmount('+30', { sign: '°', current: 90 })).toBe(120);
    expect(() => parseAmount('0%', { sign: '%', min: 1 })).toThrow('The minimum is 1%.');
    expect(() => parseAmount('101', { sign: '%', max: 100 })).toThrow('The maximum is 100%.');
  });
});
