import { seeded } from '../../core/random/index.ts';
import { chainOf, LINKS } from '../../core/testing/svgChains.ts';
import { pngClaiming } from './pngOf.ts';

const svg = (inner: string, attributes = 'viewBox="0 0 100 100"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}>${inner}</svg>`;
const filter = (inner: string): string =>
  svg(
    `<filter id="f" x="-5" y="-5" width="20" height="20">${inner}</filter><rect width="90" height="90" filter="url(#f)"/>`,
  );
const times = (count: number, part: (n: number) => string): string =>
  Array.from({ length: count }, (_, n) => part(n)).join('');

/** Lines from anywhere to anywhere: the number of their crossings grows with the square of theirs. */
function tangle(points: number): string {
  const random = seeded(7);
  const at = (): string => (random() * 100).toFixed(2);
  return svg(`<path fill="none" stroke="red" stroke-width="0.1" d="M0 0${times(points, () => `L${at()} ${at()}`)}"/>`);
}

/** A document whose entity is put in so often. */
function entity(length: number, count: number): string {
  return `<!DOCTYPE svg [<!ENTITY e "${'x'.repeat(length)}">]>${svg(`<desc>${'&e;'.repeat(count)}</desc><rect width="9" height="9"/>`)}`;
}

/**
 * Drawings made to cost whoever reads them as much as possible, by what they do; `scale` 1 is what was found to hurt.
 */
export function hostileDrawings(scale = 1): Readonly<Record<string, () => string>> {
  const n = (count: number): number => Math.max(1, Math.round(count * scale));
  return {
    'chained patterns': () => svg(chainOf(n(1600), LINKS.patterns)),
    'chained clips': () => svg(chainOf(n(20_000), LINKS.clips)),
    'chained masks': () => svg(chainOf(n(20_000), LINKS.masks)),
    'chained gradients': () => svg(chainOf(n(20_000), LINKS.gradients)),
    'chained uses': () => svg(chainOf(n(150), LINKS.uses)),
    'uses of uses': () =>
      svg(
        `<defs><rect id="t0" width="1" height="1"/>${times(9, (k) => `<g id="t${k + 1}">${`<use href="#t${k}"/>`.repeat(10)}</g>`)}</defs><use href="#t9"/>`,
      ),
    'a circle of uses': () => svg(times(n(5000), (k) => `<g id="g${k}"><use href="#g${(k + 1) % n(5000)}"/></g>`)),
    'a sheet that chains': () =>
      svg(
        `<style>${times(n(2000), (k) => `.c${k}{fill:url(#p${k + 1})}`)}</style>${times(n(2000), (k) => `<pattern id="p${k}" width="1" height="1"><rect class="c${k}" width="1" height="1"/></pattern>`)}<rect class="c0" width="9" height="9"/>`,
      ),
    'a sheet of many rules': () =>
      svg(
        `<style>${times(n(4900), (k) => `g g:nth-child(${k}n) ~ *{fill:red}`)}</style>${times(n(3000), () => '<g><g/><rect/></g>')}`,
      ),
    'variables in variables': () =>
      svg(
        `<style>svg{${times(60, (k) => `--v${k + 1}:var(--v${k}) var(--v${k});`)}--v0:x}rect{fill:var(--v60)}</style><rect width="9" height="9"/>`,
      ),
    'a wide morphology': () => filter(`<feMorphology radius="${n(5000)}"/>`),
    'octaves of turbulence': () => filter(`<feTurbulence numOctaves="${n(1000)}" baseFrequency="0.3"/>`),
    'a large convolution': () =>
      filter(`<feConvolveMatrix order="${n(100)}" kernelMatrix="${'1 '.repeat(n(100) ** 2)}"/>`),
    'many filters': () => filter(times(n(400), () => '<feGaussianBlur stdDeviation="30"/><feMorphology radius="9"/>')),
    'filters everywhere': () =>
      svg(
        `<filter id="f"><feTurbulence numOctaves="9" baseFrequency="0.4"/></filter>${times(n(3000), () => '<rect width="99" height="99" filter="url(#f)"/>')}`,
      ),
    'a million points': () => svg(`<path d="M0 0${times(n(1_000_000), (k) => `l1 ${k % 3}`)}"/>`),
    'almost two million commands': () => svg(`<path d="M0 0${'h1v1'.repeat(n(950_000))}z"/>`),
    'words of ten kilobytes': () =>
      svg(
        `<rect id="${'i'.repeat(10_000)}" class="${'c'.repeat(10_000)}" fill="${'f'.repeat(10_000)}" width="9" height="9"/><text font-family="${'t'.repeat(10_000)}">Ahoy</text>`,
      ),
    'soft clips in each other': () =>
      svg(
        `<mask id="m"><rect width="99" height="99" fill="#888"/></mask>${'<g mask="url(#m)"><rect width="90" height="90"/>'.repeat(n(190))}${'</g>'.repeat(n(190))}`,
      ),
    'a tangle': () => tangle(n(60_000)),
    'an entity swelling': () => entity(999, n(20_000)),
    'entities in entities': () =>
      `<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa">${times(9, (k) => `<!ENTITY ${'bcdefghij'[k]} "${`&${'abcdefghi'[k]};`.repeat(10)}">`)}]>${svg('<desc>&j;</desc>')}`,
    'deep nesting': () => svg('<g>'.repeat(n(100_000)) + '</g>'.repeat(n(100_000))),
    'a picture of 400 megapixels': () =>
      svg(
        `<image width="9" height="9" href="data:image/png;base64,${pngClaiming(20_000, 20_000).toString('base64')}"/>`,
      ),
    'a picture of 4 gigapixels': () =>
      svg(
        `<image width="9" height="9" href="data:image/png;base64,${pngClaiming(65_000, 65_000).toString('base64')}"/>`,
      ),
    'half-transparent groups': () =>
      svg(times(n(3000), () => '<g opacity="0.5"><rect width="99" height="99"/><rect width="9" height="9"/></g>')),
    'nested transparency': () =>
      svg('<g opacity="0.99"><rect width="90" height="90"/>'.repeat(n(150)) + '</g>'.repeat(n(150))),
    'a pattern of dust': () =>
      svg(
        '<pattern id="p" width="0.00001" height="0.00001"><rect width="1" height="1"/></pattern><rect width="99" height="99" fill="url(#p)"/>',
      ),
    'a gradient of dust': () =>
      svg(
        '<linearGradient id="g" x2="0.000001" spreadMethod="repeat"><stop/><stop offset="1" stop-color="red"/></linearGradient><rect width="99" height="99" fill="url(#g)"/>',
      ),
    'a line of dashes': () => svg('<path stroke="red" stroke-dasharray="0.00001" d="M0 0L99 99"/>'),
    'a letter of a kilometre': () => svg(`<text font-size="1e9">${'shore '.repeat(n(2000))}</text>`),
    'letters without end': () => svg(`<text>${'shore '.repeat(n(300_000))}</text>`),
    'numbers that are none': () =>
      svg('<rect width="1e308" height="1e308" transform="scale(1e308)"/><circle r="NaN"/><path d="M1e999 0L5 5"/>'),
    'a page that is none': () =>
      svg('<rect width="9" height="9"/>', 'viewBox="0 0 1e-30 1e30" width="1e30" height="1e-30"'),
    'markers on every point': () =>
      svg(
        `<marker id="m"><rect width="9" height="9" fill="context-stroke"/></marker><path marker-mid="url(#m)" stroke="red" d="M0 0${times(n(50_000), () => 'l1 1')}"/>`,
      ),
    'a mask in a mask': () =>
      svg(
        `${times(35, (k) => `<mask id="m${k}" mask="url(#m${k + 1})"><rect width="99" height="99" fill="#888"/></mask>`)}<g mask="url(#m0)">${'<rect width="99" height="99"/>'.repeat(50)}</g>`,
      ),
  };
}
