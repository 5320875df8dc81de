import { describe, expect, it } from 'vitest';
import { inksOf, picturesOf } from '../artwork.ts';
import { pathBounds } from '../pathData.ts';
import { cleanSvg } from './cleanSvg.ts';
import { Unsupported } from './readPaint.ts';
import { readSvg } from './readSvg.ts';
import { svgLengthMm } from './svgSize.ts';
import { parseXml, XmlError } from './xmlTree.ts';

const svg = (inner: string, attributes = 'viewBox="0 0 10 10"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}>${inner}</svg>`;

describe('cleanSvg', () => {
  it.each([
    ['<script>alert(1)</script>', 'a script'],
    ['<path onclick="x()" d="M0 0"/>', 'a script'],
    ['<image href="/etc/passwd"/>', 'a linked picture'],
    ['<image xlink:href="file:///etc/passwd"/>', 'a linked picture'],
    ['<image href="https://example.invalid/a.png"/>', 'a linked picture'],
    ['<image href="data:image/svg+xml;base64,AAAA"/>', 'a linked picture'],
    ['<use href="other.svg#a"/>', 'a link to another file'],
    ['<foreignObject><div/></foreignObject>', 'foreign markup (foreignObject)'],
    ['<rect><animate attributeName="x"/></rect>', 'animation'],
  ])('drops %s and says so', (inner, phrase) => {
    const clean = cleanSvg(svg(inner));
    expect(clean.left).toContain(phrase);
    expect(clean.text).not.toMatch(/script|onclick|passwd|example|svg\+xml|foreignObject|animate|other/);
  });

  it('keeps links within the file, embedded pictures and style, but lets style fetch nothing', () => {
    const clean = cleanSvg(
      svg(
        '<style>@import url(http://x.invalid/a.css); .a{fill:url(#g);mask:url(evil.svg#m)}</style><use href="#a"/><image href="data:image/png;base64,AAAA"/><rect style="fill:url(http://x.invalid)"/>',
      ),
    );
    expect(clean.text).toContain('href="#a"');
    expect(clean.text).toContain('data:image/png');
    expect(clean.text).toContain('fill:url(#g)');
    expect(clean.text).not.toMatch(/invalid|evil|@import/);
  });

  it.each([
    ['', /root element/],
    ['hello', /not well-formed/],
    ['<html/>', /begins with <html>/],
    ['<svg><g></svg>', /not well-formed/],
    [`<!DOCTYPE svg [<!ENTITY a "&b;&b;"><!ENTITY b "x">]><svg>&a;</svg>`, /entities are nested/],
    [svg('<g>'.repeat(300) + '</g>'.repeat(300)), /200 elements deep/],
  ])('refuses %#', (text, sentence) => {
    expect(() => cleanSvg(text)).toThrow(XmlError);
    expect(() => cleanSvg(text)).toThrow(sentence);
  });

  it('expands the plain entities that drawing programs write', () => {
    expect(
      cleanSvg('<!DOCTYPE svg [<!ENTITY ns_svg "http://www.w3.org/2000/svg">]><svg xmlns="&ns_svg;"/>').text,
    ).toContain('xmlns="http://www.w3.org/2000/svg"');
  });

  it('writes text that reads back the same', () => {
    const text = svg('<g id="a&amp;b"><path d="M0 0&quot;"/></g><text>1 &lt; 2</text>');
    expect(parseXml(cleanSvg(cleanSvg(text).text).text)).toEqual(parseXml(cleanSvg(text).text));
  });
});

describe('readSvg', () => {
  const read = (inner: string) => readSvg(svg(inner), (url) => `kept-${url.length}`);

  it('reads fills, strokes, groups, clips, gradients and pictures', () => {
    const drawing = read(`
      <defs>
        <linearGradient id="g"><stop offset="0" stop-color="#ff0000"/><stop offset="1" stop-color="#0000ff" stop-opacity="0.5"/></linearGradient>
        <clipPath id="c"><path d="M 0 0 L 5 0 L 5 5 Z" clip-rule="evenodd"/></clipPath>
      </defs>
      <g opacity="0.5" transform="matrix(2 0 0 2 1 1)" clip-path="url(#c)">
        <path fill="url(#g)" stroke="#00ff00" stroke-width="2" stroke-dasharray="0 3" stroke-linecap="round" d="M 2 2 L 6 2 L 6 10 Z"/>
      </g>
      <image x="1" y="1" width="4" height="3" xlink:href="data:image/png;base64,AAAA"/>
      <path fill="none" d="M 0 0 L 1 1"/>`);
    expect(drawing.view).toEqual({ x: 0, y: 0, width: 10, height: 10 });
    expect(drawing.nodes).toEqual([
      {
        kind: 'group',
        matrix: [2, 0, 0, 2, 1, 1],
        opacity: 0.5,
        clip: [{ path: 'M 0 0 L 5 0 L 5 5 Z', rule: 'evenodd', matrix: [1, 0, 0, 1, 0, 0] }],
        children: [
          {
            kind: 'path',
            path: 'M 2 2 L 6 2 L 6 10 Z',
            rule: 'nonzero',
            // The gradient's unit square is the shape's bounds.
            fill: {
              kind: 'linear',
              from: [0, 0],
              to: [1, 0],
              matrix: [4, 0, 0, 8, 2, 2],
              stops: [
                { offset: 0, ink: '#ff0000', opacity: 1 },
                { offset: 1, ink: '#0000ff', opacity: 0.5 },
              ],
            },
            stroke: {
              paint: { kind: 'ink', ink: '#00ff00', opacity: 1 },
              width: 2,
              cap: 'round',
              join: 'miter',
              miterLimit: 4,
              dash: [0, 3],
              dashOffset: 0,
            },
          },
        ],
      },
      { kind: 'picture', blob: 'kept-26', x: 1, y: 1, width: 4, height: 3 },
    ]);
    const artwork = { version: 1 as const, ...drawing };
    expect(inksOf(artwork)).toEqual(['#ff0000', '#0000ff', '#00ff00']);
    expect(picturesOf(artwork)).toEqual(['kept-26']);
  });

  it('leaves out what cannot be seen: clipped to nothing, wholly transparent, hidden, or unpainted', () => {
    const shape = '<path fill="#ff0000" d="M 0 0 L 5 0 L 5 5 Z"/>';
    expect(
      read(
        `<defs><clipPath id="e"/></defs><g clip-path="url(#e)">${shape}</g><g opacity="0">${shape}</g><path visibility="hidden" d="M 0 0 L 5 5 Z"/><path fill="none" d="M 0 0 L 5 5 Z"/>`,
      ).nodes,
    ).toEqual([]);
  });

  it.each([
    ['<g filter="url(#f)"><path d="M 0 0 L 1 1 Z"/></g>', 'a filter effect'],
    ['<g mask="url(#m)"><path d="M 0 0 L 1 1 Z"/></g>', 'a mask'],
    ['<g style="mix-blend-mode:multiply"><path d="M 0 0 L 1 1 Z"/></g>', 'a blend mode'],
    ['<defs><pattern id="p"/></defs><path fill="url(#p)" d="M 0 0 L 1 1 Z"/>', 'a pattern fill'],
    ['<circle r="3"/>', 'the element “circle”'],
  ])('says what the model cannot hold: %s', (inner, phrase) => {
    expect(() => read(inner)).toThrow(Unsupported);
    expect(() => read(inner)).toThrow(phrase);
  });
});

describe('path bounds', () => {
  it('are those of the curve, not of its handles', () => {
    expect(pathBounds('M 0 0 C 0 4 4 4 4 0')).toEqual({ left: 0, top: 0, right: 4, bottom: 3 });
    const arch = pathBounds('M 0 0 Q 2 4 4 0');
    expect(arch?.bottom).toBeCloseTo(2, 12);
    expect(pathBounds('')).toBeUndefined();
    expect(() => pathBounds('M 0 A 3')).toThrow(SyntaxError);
  });
});

describe('svgLengthMm', () => {
  it.each([
    ['60mm', 60],
    ['2in', 50.8],
    ['72pt', 25.4],
    ['120', undefined],
    ['120px', undefined],
    ['100%', undefined],
    [undefined, undefined],
    ['-5mm', undefined],
  ])('reads %s', (text, mm) =>
    mm === undefined ? expect(svgLengthMm(text)).toBeUndefined() : expect(svgLengthMm(text)).toBeCloseTo(mm, 9),
  );
});
