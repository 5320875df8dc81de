import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chainOf, LINKS } from '../testing/svgChains.ts';
import { checkSvgLimits, LONGEST_CHAIN, MOST_ELEMENTS, MOST_NUMBERS } from './svgLimits.ts';
import { parseXml } from './xmlTree.ts';

const check = (inner: string): void =>
  checkSvgLimits(parseXml(`<svg xmlns="http://www.w3.org/2000/svg">${inner}</svg>`));

describe('a drawing', () => {
  it.each(Object.entries(LINKS))('may refer through a few %s, not through thousands', (_kind, link) => {
    check(chainOf(LONGEST_CHAIN - 1, link));
    for (const length of [LONGEST_CHAIN + 2, 6000])
      expect(() => check(chainOf(length, link))).toThrow(/its references go through more than 40 others/);
  });

  it('may refer to itself, however many elements do so together', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(30), { minLength: 1, maxLength: 31 }), (targets) => {
        check(targets.map((to, n) => `<g id="r${n}"><use href="#r${to % targets.length}"/></g>`).join(''));
      }),
    );
  });

  it('counts what is repeated as often as it is drawn', () => {
    // Each is drawn ten times by the next: ten million squares from seven lines.
    const tens = Array.from({ length: 7 }, (_, n) => `<g id="t${n + 1}">${`<use href="#t${n}"/>`.repeat(10)}</g>`).join(
      '',
    );
    expect(() => check(`<defs><rect id="t0" width="1" height="1"/>${tens}</defs><use href="#t7"/>`)).toThrow(
      `it draws more than ${MOST_ELEMENTS.toLocaleString('en')} elements`,
    );
    check(
      `<defs><rect id="t0" width="1" height="1"/>${tens.slice(0, tens.indexOf('<g id="t4"'))}</defs><use href="#t3"/>`,
    );
  });

  it('holds so many numbers in its paths and no more', () => {
    const path = (numbers: number): string => `<path d="M${'1-1,'.repeat(numbers / 2)}"/>`;
    check(path(10_000));
    expect(() => check(path(MOST_NUMBERS + 2))).toThrow('its paths hold more than 2,000,000 numbers');
  });

  it('has filters of a bounded cost', () => {
    const filter = (inner: string): string => `<filter id="f">${inner}</filter>`;
    check(filter('<feMorphology radius="3 4"/><feTurbulence numOctaves="5"/><feConvolveMatrix order="5 3"/>'));
    for (const costly of [
      '<feMorphology radius="5000"/>',
      '<feMorphology radius="1,5000"/>',
      '<feTurbulence numOctaves="1000"/>',
      '<feConvolveMatrix order="100"/>',
    ])
      expect(() => check(filter(costly)), costly).toThrow(/feMorphology|feTurbulence|feConvolveMatrix/);
  });
});
