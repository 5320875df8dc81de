import { describe, expect, it } from 'vitest';
import { cleanSvg, cleanText, type CleanSvg, openSvg } from './cleanSvg.ts';
import type { KnownFonts } from './svgFonts.ts';
import type { Embedded } from './svgPictures.ts';
import { everyElement, parseXml, type XmlElement, XmlError } from './xmlTree.ts';

const FONTS: KnownFonts = {
  families: new Map([['shore sans', 'Shore Sans']]),
  standIns: { serif: 'Plain Serif', 'sans-serif': 'Plain Sans', cursive: 'Plain Hand' },
};
const svg = (inner: string, attributes = 'viewBox="0 0 10 10"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}>${inner}</svg>`;
const clean = (text: string, embedded: Record<string, Embedded> = {}): CleanSvg & { text: string } => {
  const cleaned = cleanSvg(openSvg(text), new Map(Object.entries(embedded)), FONTS);
  return { ...cleaned, text: cleanText(cleaned.root) };
};
const PICTURE: Embedded = { kind: 'picture', url: 'data:image/png;base64,AAAA' };

/** What counts of the first element of a kind: its attributes, and its style taken apart. */
function lookOf(text: string, name: string): Record<string, string> {
  const found = [...everyElement(clean(text).root)].find((element) => element.name === name) as XmlElement;
  const style = (found.attributes['style'] ?? '').split(';').filter(Boolean);
  return {
    ...found.attributes,
    ...Object.fromEntries(style.map((one) => one.split(/:(.*)/s).slice(0, 2) as [string, string])),
  };
}

describe('a drawing', () => {
  it.each([
    ['<script>alert(1)</script>', 'a script'],
    ['<image href="/etc/passwd"/>', 'a linked picture'],
    ['<image xlink:href="file:///etc/passwd"/>', 'a linked picture'],
    ['<image href="https://example.invalid/a.png"/>', 'a linked picture'],
    ['<image href="data:image/png;base64,AAAB"/>', 'a damaged picture'],
    ['<use href="other.svg#a"/>', 'a link to another file'],
    ['<foreignObject width="9" height="9"><div>Ahoy</div></foreignObject>', 'a web page within it'],
    ['<rect><animate attributeName="x"/></rect>', 'animation'],
  ])('loses %s, and says so', (inner, phrase) => {
    const { text, left } = clean(svg(inner));
    expect(left).toEqual([phrase]);
    expect(text).not.toMatch(/script|passwd|example|AAAB|foreignObject|animate|other/);
  });

  it.each([
    '<path onclick="x()" d="M0 0"/>',
    '<metadata><rdf:RDF xmlns:rdf="http://rdf.invalid"><rdf:li>gull</rdf:li></rdf:RDF></metadata>',
    '<sodipodi:namedview pagecolor="#fff"/>',
    '<switch><foreignObject requiredExtensions="http://ns.invalid"><i:pgf xmlns:i="http://ns.invalid"/></foreignObject><rect/></switch>',
    '<foreignObject/>',
  ])('says nothing of what nobody would have seen: %s', (inner) => {
    const { text, left } = clean(svg(inner));
    expect(left).toEqual([]);
    expect(text).not.toMatch(/onclick|rdf|gull|sodipodi|foreignObject|pgf/);
  });

  it('keeps links within the file, embedded pictures and style, but lets style fetch nothing', () => {
    const { text } = clean(
      svg(
        '<style>@import url(http://x.invalid/a.css); .a{fill:url(#g);mask:url(evil.svg#m)}</style><g id="a"/><use class="a" href="#a"/><image href="data:image/png;base64,AAAA"/><rect style="fill:url(http://x.invalid)"/>',
      ),
      { 'data:image/png;base64,AAAA': PICTURE },
    );
    expect(text).toContain('href="#a"');
    expect(text).toContain('data:image/png');
    expect(text).toContain('fill:url(#g)');
    expect(text).not.toMatch(/invalid|evil|@import/);
  });

  it.each([
    ['', /root element/],
    ['hello', /not well-formed/],
    ['<html/>', /begins with <html>/],
    ['<svg xmlns="http://other.invalid"/>', /of another vocabulary/],
    ['<svg><g></svg>', /not well-formed/],
    [`<!DOCTYPE svg [<!ENTITY a "&b;&b;"><!ENTITY b "x">]><svg>&a;</svg>`, /entities are nested/],
    [svg('<g>'.repeat(300) + '</g>'.repeat(300)), /200 elements deep/],
    [svg(`<style>${'a{fill:red}'.repeat(5001)}</style>`), /more than 5,000 selectors/],
  ])('is refused where it is none: %#', (text, sentence) => {
    expect(() => clean(text)).toThrow(XmlError);
    expect(() => clean(text)).toThrow(sentence);
  });

  it('may write the plain entities that drawing programs write', () => {
    expect(
      clean('<!DOCTYPE svg [<!ENTITY ns_svg "http://www.w3.org/2000/svg">]><svg xmlns="&ns_svg;"/>').text,
    ).toContain('xmlns="http://www.w3.org/2000/svg"');
  });

  it.each([
    '<s:svg xmlns:s="http://www.w3.org/2000/svg" xmlns:l="http://www.w3.org/1999/xlink"><s:g id="a"/><s:use l:href="#a"/></s:svg>',
    '<svg><g id="a"/><use xlink:href="#a"/></svg>',
    '<svg:svg><svg:g id="a"/><svg:use href="#a"/></svg:svg>',
  ])('may name its vocabulary as it likes, or not at all: %#', (text) => {
    expect(clean(text).text).toBe('<svg xmlns="http://www.w3.org/2000/svg"><g id="a"/><use href="#a"/></svg>');
  });

  it('keeps its letters in their order', () => {
    const { root } = clean(svg('<text>one <tspan>two</tspan> three</text>'));
    expect([...everyElement(root)].map(({ text }) => text).join('|')).toBe('|one |two| three');
  });

  it('reads back the same', () => {
    const text = svg('<g id="a&amp;b"><path d="M0 0&quot;"/></g><text>1 &lt; 2</text>');
    expect(parseXml(clean(clean(text).text).text)).toEqual(parseXml(clean(text).text));
  });
});

describe('styles', () => {
  it.each([
    ['', 'fill="red"', '#ff0000'],
    ['rect{fill:lime}', 'fill="red"', '#00ff00'],
    ['rect{fill:lime}', 'fill="red" style="fill:blue"', '#0000ff'],
    ['rect{fill:lime!important}', 'style="fill:blue"', '#00ff00'],
    ['rect{fill:lime!important}', 'style="fill:blue !important"', '#0000ff'],
    ['.a{fill:lime}rect{fill:navy}', 'class="b a"', '#00ff00'],
    ['rect{fill:lime}rect{fill:navy}', '', '#000080'],
    ['#r{fill:lime}.a.a.a{fill:navy}', 'id="r" class="a"', '#00ff00'],
    ['g > rect:first-child{fill:lime}', '', '#00ff00'],
    ['svg rect[width]{fill:lime}', 'width="3"', '#00ff00'],
    ['@media print{rect{fill:lime}}@media screen{rect{fill:navy}}', '', '#000080'],
    ['@media (prefers-color-scheme: dark){rect{fill:lime}}', 'fill="red"', '#ff0000'],
    ['rect:hover{fill:lime}', 'fill="red"', '#ff0000'],
    ['rect{fill:lime}rect::before{fill:navy}rect:no-such(x){fill:navy}', '', '#00ff00'],
    ['<![CDATA[ rect { fill : lime } ]]>', '', '#00ff00'],
    ['g{--ink:lime}rect{fill:var(--ink)}', '', '#00ff00'],
    ['rect{fill:var(--none, var(--nor, navy))}', '', '#000080'],
    ['rect{fill:var(--none)}', '', undefined],
    ['', 'fill="var(--none, teal)"', '#008080'],
    ['rect{fill:rebeccapurple}', '', '#663399'],
    ['', 'fill="oklch(0.628 0.2577 29.23)"', '#ff0000'],
    ['', 'fill="url(#)"', 'none'],
    ["rect{fill:url( '#g' )}", '', 'url(#g)'],
    ['', "style='fill:url(&quot;#g&quot;)'", 'url(#g)'],
  ])('%s with %s makes the fill %s', (sheet, attributes, fill) => {
    expect(lookOf(svg(`<style>${sheet}</style><g><rect ${attributes}/></g>`), 'rect')['fill']).toBe(fill);
  });

  it('set geometry and transforms too', () => {
    const look = lookOf(
      svg('<style>rect{width:3px;transform:translate(2px,3px) rotate(45deg)}</style><rect/>'),
      'rect',
    );
    expect(look).toMatchObject({ width: '3px', transform: 'translate(2,3) rotate(45)' });
  });
});

describe('references', () => {
  it('to themselves are cut, and all else is drawn', () => {
    const { text } = clean(
      svg(
        '<g id="a"><rect/><use href="#a"/></g><g id="b"><use href="#c"/></g><g id="c"><use href="#b"/></g><pattern id="p"><rect fill="url(#p)"/></pattern>',
      ),
    );
    expect(text.match(/href="#/g)).toHaveLength(1);
    expect(text).toContain('<pattern id="p"><rect style="fill:none"/></pattern>');
  });

  it('to effects that are not there have no effect', () => {
    expect(clean(svg('<rect filter="url(#f)" style="mask:url(#m)" clip-path="url(#c)"/>')).text).toContain('<rect/>');
  });

  it('from markers take the colours of the line that they are on', () => {
    const { root } = clean(
      svg(
        '<marker id="m"><path fill="context-stroke" stroke="context-fill"/></marker><g stroke="red"><path marker-end="url(#m)"/><line stroke="blue" fill="none" style="marker:url(#m)"/></g><rect fill="context-fill"/>',
      ),
    );
    const text = cleanText(root);
    expect(text).toMatch(/<path style="marker-end:url\(#m-in-1\)"\/>/);
    expect(text).toContain('<marker id="m-in-1"><path style="fill:#ff0000;stroke:#000000"/></marker>');
    expect(text).toContain('<marker id="m-in-2"><path style="fill:#0000ff;stroke:none"/></marker>');
    expect(text).toContain('<rect style="fill:none"/>');
  });
});

describe('pictures in a drawing', () => {
  it('that are drawings take their place, with names of their own', () => {
    const inner = clean('<svg viewBox="0 0 4 2"><g id="a"/><use href="#a"/><rect fill="url(#a)"/></svg>').root;
    const { text } = clean(svg('<g id="a"/><image x="1" width="8" height="8" href="data:x"/>'), {
      'data:x': { kind: 'drawing', root: inner },
    });
    expect(text).toContain(
      '<svg width="8" height="8" x="1" viewBox="0 0 4 2" style="overflow:hidden"><g id="e1-a"/><use href="#e1-a"/><rect style="fill:url(#e1-a)"/></svg>',
    );
  });
});

describe('fonts', () => {
  it.each([
    ['Shore Sans', 'Shore Sans', undefined],
    ['"shore sans", serif', 'Shore Sans', undefined],
    ['serif', 'Plain Serif', undefined],
    ['monospace', 'Plain Sans', undefined],
    ["'Tide Roman'", 'Plain Serif', 'Tide Roman'],
    ['Tide, cursive', 'Plain Hand', 'Tide'],
    ['Tide, Shore Sans', 'Plain Sans', 'Tide'],
  ])('%s is set in %s', (asked, found, missing) => {
    const { fonts, text } = clean(svg(`<g font-family="${asked.replaceAll('"', '&quot;')}"><text>Ahoy</text></g>`));
    expect(text).toContain(`<text style="font-family:'${found}'">`);
    expect(fonts).toEqual(missing === undefined ? [] : [{ asked: missing, standIn: found }]);
  });

  it('that set no words are not missed', () => {
    expect(clean(svg('<text font-family="Tide"> <tspan/> </text>')).fonts).toEqual([]);
  });
});

describe('the page', () => {
  it.each([
    ['viewBox="0 0 40 20" height="10mm"', { width: undefined, height: 10, hasPage: true }, '75.59055118110237'],
    ['viewBox="0 0 40 20" width="80"', { width: undefined, height: undefined, hasPage: true }, '80'],
    ['width="80"', { hasPage: false }, '80'],
    ['width="0" viewBox="0 0 0 5"', { hasPage: false }, undefined],
    ['width="100%" height="100%" viewBox="0 0 4 4"', { hasPage: true }, undefined],
  ])('of %s', (attributes, sizes, width) => {
    const cleaned = clean(svg('', attributes));
    expect(cleaned).toMatchObject(sizes);
    expect(cleaned.root.attributes['width']).toBe(width);
  });
});
