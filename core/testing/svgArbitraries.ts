import fc, { type Arbitrary } from 'fast-check';

/** A share or length with few digits, as files have them. */
const number = (min: number, max: number): Arbitrary<number> =>
  fc.integer({ min: Math.round(min * 10), max: Math.round(max * 10) }).map((n) => n / 10);
const colour = fc.constantFrom('#b5442f', '#205ac0', '#e8c547', '#2e7d4f', 'black', 'rgb(120, 40, 160)');
const transform = fc.oneof(
  { weight: 3, arbitrary: fc.constant('') },
  fc.tuple(number(-20, 20), number(-20, 20)).map(([x, y]) => ` transform="translate(${x} ${y})"`),
  fc.integer({ min: -80, max: 80 }).map((angle) => ` transform="rotate(${angle} 50 50)"`),
  fc.tuple(number(0.5, 1.5), number(0.5, 1.5)).map(([x, y]) => ` transform="scale(${x},${y})"`),
  fc.integer({ min: -30, max: 30 }).map((angle) => ` transform="skewX(${angle})"`),
);
const opacity = (name: string): Arbitrary<string> =>
  fc.oneof(
    { weight: 3, arbitrary: fc.constant('') },
    number(0.2, 0.9).map((share) => ` ${name}="${share}"`),
  );

/** Ids that definitions of each kind have in every random drawing. */
const PAINTS = ['linear', 'radial', 'pattern'] as const;
const paint = fc.oneof(
  { weight: 4, arbitrary: colour },
  { weight: 3, arbitrary: fc.constantFrom(...PAINTS).map((id) => `url(#${id})`) },
);
const line = fc
  .record({
    paint: fc.oneof(colour, fc.constant('url(#linear)')),
    width: number(1, 8),
    cap: fc.constantFrom('butt', 'round', 'square'),
    join: fc.constantFrom('miter', 'round', 'bevel'),
    dash: fc.constantFrom('', ' stroke-dasharray="9 4"'),
  })
  .map(
    ({ paint, width, cap, join, dash }) =>
      ` stroke="${paint}" stroke-width="${width}" stroke-linecap="${cap}" stroke-linejoin="${join}"${dash}`,
  );
const look = fc
  .tuple(
    fc.oneof({ weight: 4, arbitrary: paint }, fc.constant('none')),
    fc.option(line, { nil: '' }),
    opacity('opacity'),
  )
  .map(([fill, stroke, share]) => ` fill="${fill}"${stroke}${share}`);

const place = fc.tuple(number(5, 70), number(5, 70));
const size = fc.tuple(number(10, 50), number(10, 50));
const outline = fc.oneof(
  fc.tuple(place, size).map(([[x, y], [w, h]]) => `rect x="${x}" y="${y}" width="${w}" height="${h}"`),
  fc.tuple(place, size).map(([[x, y], [w]]) => `circle cx="${x}" cy="${y}" r="${w / 2}"`),
  fc.tuple(place, size).map(([[x, y], [w, h]]) => `ellipse cx="${x}" cy="${y}" rx="${w / 2}" ry="${h / 2}"`),
  fc.array(place, { minLength: 3, maxLength: 6 }).map((points) => `polygon points="${points.join(' ')}"`),
  fc
    .tuple(place, place, place, place)
    .map(([a, b, c, d]) => `path d="M${a} C${b} ${c} ${d} S${b} ${a} A9 14 20 1 0 ${c}z" fill-rule="evenodd"`),
);
const shape = fc.tuple(outline, look, transform).map(([what, how, where]) => `<${what}${how}${where}/>`);

/** Eight squares of different colours. */
const SQUARES =
  'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAACgAAAAUCAMAAADImI+JAAAAGFBMVEUoPMgooDzIKChayNz///94eHgAAADmyDxwPsv8AAAACXBIWXMAAAPoAAAD6AG1e1JrAAAAKUlEQVQokWNgggNGOGCAA3Y4YBhVSOfgYYEDNjhghQNmOBhVCAf0CR4A9D4K8fdT1BgAAAAASUVORK5CYII=';
const picture = fc
  .tuple(place, size, fc.constantFrom('', 'none', 'xMinYMax meet', 'xMaxYMin slice'))
  .map(
    ([[x, y], [w, h], fit]) =>
      `<image x="${x}" y="${y}" width="${w}" height="${h}"${fit === '' ? '' : ` preserveAspectRatio="${fit}"`} href="${SQUARES}"/>`,
  );
const used = fc
  .tuple(place, transform)
  .map(([[x, y], where]) => `<use href="#used" x="${x / 4}" y="${y / 4}"${where}/>`);

/** The family is one that ships with the app. */
const words = fc
  .tuple(
    place,
    number(8, 30),
    colour,
    transform,
    fc.constantFrom('Low tide', 'We<tspan dy="5" fill="#b5442f">lk</tspan>s'),
  )
  .map(
    ([[x, y], height, ink, where, text]) =>
      `<text x="${x}" y="${y}" font-family="Caveat" font-size="${height}" fill="${ink}"${where}>${text}</text>`,
  );

const CUTS = ['', '', ' clip-path="url(#clip)"', ' mask="url(#mask)"', ' mask="url(#soft)"'];

const nodeOf = (leaf: Arbitrary<string>, cuts: readonly string[]): Arbitrary<string> =>
  fc.letrec<{ node: string; group: string }>((tie) => ({
    node: fc.oneof({ depthSize: 'small' }, { weight: 5, arbitrary: leaf }, { weight: 3, arbitrary: tie('group') }),
    group: fc
      .tuple(
        fc.array(tie('node'), { minLength: 1, maxLength: 3 }),
        transform,
        opacity('opacity'),
        fc.constantFrom(...cuts),
      )
      .map(([children, where, share, cut]) => `<g${where}${share}${cut}>${children.join('')}</g>`),
  })).node;

const stops = fc
  .array(fc.tuple(number(0, 1), colour, opacity('stop-opacity')), { minLength: 2, maxLength: 4 })
  .map((list) =>
    list
      .sort(([a], [b]) => a - b)
      // Readers differ in what lies before the first stop and after the last of a gradient that repeats.
      .map(([at, ink, share], i) => [i === 0 ? 0 : i === list.length - 1 ? 1 : at, ink, share] as const)
      .map(([at, ink, share]) => `<stop offset="${at}" stop-color="${ink}"${share}/>`)
      .join(''),
  );
const spread = fc.constantFrom('', ' spreadMethod="reflect"', ' spreadMethod="repeat"');
const linear = fc.tuple(stops, spread, transform, fc.boolean()).map(([list, how, where, isOfPage]) => {
  const line = isOfPage
    ? ' gradientUnits="userSpaceOnUse" x1="20" y1="30" x2="50" y2="40"'
    : ' x1="0.1" y1="0.2" x2="0.5" y2="0.6"';
  return `<linearGradient id="linear"${line}${how}${isOfPage ? where.replace('transform', 'gradientTransform') : ''}>${list}</linearGradient>`;
});
const radial = fc
  .tuple(stops, spread)
  .map(
    ([list, how]) =>
      `<radialGradient id="radial" cx="0.4" cy="0.5" r="0.3" fx="0.35" fy="0.45"${how}>${list}</radialGradient>`,
  );
const pattern = fc
  .record({
    tile: fc.constantFrom(
      ' patternUnits="userSpaceOnUse" x="3" y="5" width="12" height="9"',
      ' patternUnits="userSpaceOnUse" width="12" height="9" patternTransform="rotate(20) scale(1.2)"',
      ' x="0.1" y="0.05" width="0.25" height="0.2"',
      ' width="0.25" height="0.2" viewBox="0 0 12 9"',
      ' patternUnits="userSpaceOnUse" width="16" height="9" viewBox="1 1 12 9" preserveAspectRatio="xMaxYMid"',
    ),
    parts: fc.array(fc.tuple(number(0, 9), number(0, 6), colour), { minLength: 1, maxLength: 3 }),
  })
  .map(
    ({ tile, parts }) =>
      `<pattern id="pattern"${tile}>${parts.map(([x, y, ink]) => `<rect x="${x}" y="${y}" width="5" height="4" fill="${ink}"/>`).join('')}</pattern>`,
  );
// Not measured by what is clipped: readers differ in how large something turned is.
const clip = fc
  .tuple(outline, outline, transform)
  .map(([one, other, where]) => `<clipPath id="clip"><${one}/><${other}${where}/></clipPath>`);
const masks = fc
  .tuple(outline, outline, transform)
  .map(
    ([one, other, where]) =>
      `<mask id="mask" maskUnits="userSpaceOnUse" x="10" y="10" width="80" height="80" fill="white"><${one}${where}/></mask>` +
      `<mask id="soft" maskUnits="userSpaceOnUse" x="0" y="0" width="100" height="100"><${other} fill="#888"/></mask>`,
  );

const PAGES = [
  'viewBox="0 0 100 100"',
  'width="80" viewBox="0 0 100 100"',
  'height="3cm" viewBox="10 0 100 80"',
  'width="120" height="80" viewBox="0 0 100 100"',
  'width="120" height="80" viewBox="0 0 100 100" preserveAspectRatio="xMaxYMin slice"',
  'width="120" height="80" viewBox="0 0 100 100" preserveAspectRatio="none"',
  'width="100" height="100"',
];

const drawingOf = (node: Arbitrary<string>, pages: readonly string[]): Arbitrary<string> =>
  fc
    .record({
      nodes: fc.array(node, { minLength: 1, maxLength: 5 }),
      definitions: fc.tuple(linear, radial, pattern, clip, masks),
      used: shape,
      page: fc.constantFrom(...pages),
    })
    .map(
      ({ nodes, definitions, used: shown, page }) =>
        `<svg xmlns="http://www.w3.org/2000/svg" ${page}><defs>${definitions.join('')}<g id="used">${shown}</g></defs>${nodes.join('')}</svg>`,
    );

const leaf = fc.oneof(
  { weight: 5, arbitrary: shape },
  { weight: 1, arbitrary: picture },
  { weight: 1, arbitrary: used },
);
/** Small drawings with any nesting of what SVG draws with, but for letters, whose fonts no two readers share. */
export const drawings = drawingOf(nodeOf(leaf, CUTS), PAGES);

const flat = fc.tuple(outline, colour, transform).map(([what, ink, where]) => `<${what} fill="${ink}"${where}/>`);
/** Small drawings of letters and flat shapes in groups of groups. */
export const letteredDrawings = drawingOf(nodeOf(fc.oneof(words, flat), ['']), PAGES.slice(0, 1));
