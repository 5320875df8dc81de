import { describe, expect, it } from 'vitest';
import { everyNode, inksOf, picturesOf } from '../motif/index.ts';
import { readSvg } from './readSvg.ts';
import { Unsupported } from './svgContext.ts';

const svg = (inner: string, attributes = 'viewBox="0 0 10 10"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}>${inner}</svg>`;

/** What is painted is kept as what it was painted of. */
const read = (inner: string, attributes?: string, hasPage?: boolean) =>
  readSvg(
    svg(inner, attributes),
    {
      keep: (url) => ({ blob: `kept-${url.length}`, width: 40, height: 20 }),
      paint: ({ document, frame }) => [{ kind: 'picture', blob: document(frame), ...frame }],
    },
    hasPage,
  );
const SHAPE = '<path fill="#ff0000" d="M 0 0 L 5 0 L 5 5 Z"/>';

describe('readSvg', () => {
  it('reads fills, strokes, groups, clips, gradients and pictures', () => {
    const drawing = read(`
      <defs>
        <linearGradient id="g"><stop offset="0" stop-color="#ff0000"/><stop offset="1" stop-color="#0000ff" stop-opacity="0.5"/></linearGradient>
        <clipPath id="c"><path d="M 0 0 L 5 0 L 5 5 Z" clip-rule="evenodd"/></clipPath>
      </defs>
      <g opacity="0.5" transform="matrix(2 0 0 2 1 1)" clip-path="url(#c)">
        <path fill="url(#g)" stroke="#00ff00" stroke-width="2" stroke-dasharray="0 3" stroke-linecap="round" d="M 2 2 L 6 2 L 6 10 Z"/>
      </g>
      <image x="1" y="1" width="4" height="3" preserveAspectRatio="none" xlink:href="data:image/png;base64,AAAA"/>
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
    expect(
      read(
        `<defs><clipPath id="e"/></defs><g clip-path="url(#e)">${SHAPE}</g><g opacity="0">${SHAPE}</g><path visibility="hidden" d="M 0 0 L 5 5 Z"/><path fill="none" d="M 0 0 L 5 5 Z"/>`,
      ).nodes,
    ).toEqual([]);
  });

  it.each([
    ['<g filter="url(#f)"><path d="M 0 0 L 1 1 Z"/></g>', 'a filter effect'],
    ['<g mask="url(#m)"><path d="M 0 0 L 1 1 Z"/></g>', 'a mask'],
    ['<path stroke="url(#p)" d="M 0 0 L 1 1 Z"/>', 'a pattern along a line'],
    ['<circle r="3"/>', 'the element “circle”'],
  ])('has that part painted which artwork cannot hold, and no other: %s', (inner, phrase) => {
    const { nodes, painted } = read(
      `<defs><mask id="m"><path fill="#808080" d="M 0 0 L 9 9 L 0 9 Z"/></mask><pattern id="p"/></defs>${SHAPE}${inner}${SHAPE}`,
    );
    expect(painted).toEqual([phrase]);
    expect(nodes.map(({ kind }) => kind)).toEqual(['path', 'picture', 'path']);
    expect(JSON.stringify(nodes[1])).toContain(JSON.stringify(inner).slice(1, 9));
  });

  it('paints all that a blend reaches: its isolated group, or everything', () => {
    const blend = `<g style="mix-blend-mode:multiply">${SHAPE}</g>`;
    expect(read(`${SHAPE}<g opacity="0.5">${SHAPE}${blend}</g>`).nodes.map(({ kind }) => kind)).toEqual([
      'path',
      'picture',
    ]);
    // A group that is kept apart and blends itself still blends with what lies below.
    const itself = `<g opacity="0.5" style="mix-blend-mode:multiply">${SHAPE}</g>`;
    expect(read(`${SHAPE}${itself}`).nodes.map(({ kind }) => kind)).toEqual(['picture']);
    expect(read(`${SHAPE}<g style="isolation:isolate">${itself}</g>`).nodes).toHaveLength(2);
    const whole = read(`${SHAPE}<g>${blend}</g>`);
    expect(whole.nodes.map(({ kind }) => kind)).toEqual(['picture']);
    expect(whole.painted).toEqual(['a blend mode']);
  });

  it('takes a mask of white shapes for the clip that it is, and cuts what is cut twice by both', () => {
    const { nodes, painted } = read(`
      <defs>
        <mask id="m" maskUnits="userSpaceOnUse" x="1" y="1" width="8" height="8"><g transform="matrix(2 0 0 2 0 0)"><path fill="#ffffff" d="M 0 0 L 4 0 L 4 4 Z"/></g></mask>
        <clipPath id="c" clip-path="url(#d)"><path d="M 0 0 L 3 0 L 3 3 Z"/></clipPath>
        <clipPath id="d" clipPathUnits="objectBoundingBox"><path d="M 0 0 L 1 0 L 1 1 Z"/></clipPath>
      </defs>
      <g mask="url(#m)" clip-path="url(#c)">${SHAPE}</g>`);
    expect(painted).toEqual([]);
    const clips: unknown[] = [];
    for (const node of everyNode(nodes))
      if (node.kind === 'group') clips.push(node.clip?.map(({ path, matrix }) => [path, ...matrix]));
    expect(clips).toEqual([
      [['M 0 0 L 1 0 L 1 1 Z', 5, 0, 0, 5, 0, 0]],
      [['M 0 0 L 3 0 L 3 3 Z', 1, 0, 0, 1, 0, 0]],
      [['M 1 1 L 9 1 L 9 9 L 1 9 Z', 1, 0, 0, 1, 0, 0]],
      [['M 0 0 L 4 0 L 4 4 Z', 2, 0, 0, 2, 0, 0]],
    ]);
  });

  it('fits pictures into their frames', () => {
    const picture = (fit: string) =>
      read(`<image x="1" y="2" width="8" height="8"${fit} href="data:image/png;base64,AAAA"/>`).nodes[0];
    const kept = { kind: 'picture', blob: 'kept-26' };
    expect(picture('')).toEqual({ ...kept, x: 1, y: 4, width: 8, height: 4 });
    expect(picture(' preserveAspectRatio="xMidYMax meet"')).toEqual({ ...kept, x: 1, y: 6, width: 8, height: 4 });
    expect(picture(' preserveAspectRatio="none"')).toEqual({ ...kept, x: 1, y: 2, width: 8, height: 8 });
    expect(picture(' preserveAspectRatio="xMinYMid slice"')).toMatchObject({
      kind: 'group',
      clip: [{ path: 'M 1 2 L 9 2 L 9 10 L 1 10 Z' }],
      children: [{ ...kept, x: 1, y: 2, width: 16, height: 8 }],
    });
  });

  it.each([
    ['viewBox="0 0 10 10" width="20" height="20"', [0, 0, 10, 10]],
    ['viewBox="0 0 10 10" width="40" height="20"', [-5, 0, 20, 10]],
    ['viewBox="0 0 10 10" width="40" height="20" preserveAspectRatio="xMinYMid"', [0, 0, 20, 10]],
    ['viewBox="0 0 10 10" width="40" height="20" preserveAspectRatio="xMidYMax slice"', [0, 5, 10, 5]],
    ['viewBox="2 2 10 10" width="40" height="20" preserveAspectRatio="none"', [0, 0, 40, 20]],
  ])('takes the whole page, not the view box alone: %s', (attributes, [x, y, width, height]) => {
    const { view, nodes } = read(SHAPE, attributes);
    expect(view).toEqual({ x, y, width, height });
    const [node] = nodes;
    if (attributes.includes('none')) expect(node).toMatchObject({ kind: 'group', matrix: [4, 0, 0, 2, -8, -4] });
    else expect(node).toMatchObject({ kind: 'path' });
  });

  it('is not misled by one number that is far out', () => {
    const far = '<path stroke="#000000" d="M 0 0 L 1000000000 5"/>';
    expect(read(SHAPE + far, 'viewBox="0 0 1000000000 5"', false).view).toEqual({ x: 0, y: 0, width: 5, height: 5 });
    expect(() => read(SHAPE, 'viewBox="0 0 0 5"')).toThrow(Unsupported);
  });
});

describe('lines of no length', () => {
  const dot = (d: string, cap: string): unknown =>
    read(`<path fill="none" stroke="#000000" stroke-width="2" stroke-linecap="${cap}" d="${d}"/>`).nodes[0];

  it.each(['M 3 3 Z', 'M 3 3 L 3 3', 'M 3 3 C 3 3 3 3 3 3', 'M 3 3 Q 3 3 3 3 Z'])('are dots: %s', (d) => {
    expect(dot(d, 'round')).toMatchObject({ path: 'M 3 3 L 3.002 3' });
    expect(dot(d, 'butt')).toMatchObject({ path: d });
  });

  it('are told from those of some length, which stay as they are', () => {
    expect(dot('M 1 1 L 2 2 M 3 3 L 3 3 M 4 4 L 5 5 Z', 'square')).toMatchObject({
      path: 'M 1 1 L 2 2 M 3 3 L 3.002 3 M 4 4 L 5 5 Z',
    });
    expect(dot('M 1 1 L 2 2', 'round')).toMatchObject({ path: 'M 1 1 L 2 2' });
  });
});

describe('patterns', () => {
  it('are laid as vectors, as often as the shape needs them, and cut to it', () => {
    const { nodes, painted } = read(
      `<defs><pattern id="p" patternUnits="userSpaceOnUse" x="1" width="2" height="5"><path fill="#0000ff" d="M 0 0 L 1 0 L 1 1 Z"/></pattern></defs><path fill="url(#p)" fill-opacity="0.5" stroke="#00ff00" d="M 0 0 L 5 0 L 5 5 L 0 5 Z"/>`,
    );
    expect(painted).toEqual([]);
    expect(nodes[0]).toMatchObject({ kind: 'group', opacity: 0.5, clip: [{ path: 'M 0 0 L 5 0 L 5 5 L 0 5 Z' }] });
    expect(nodes[1]).toMatchObject({ kind: 'path', stroke: { paint: { ink: '#00ff00' } } });
    // Tiles begin at -1, 1 and 3.
    expect([...everyNode(nodes)].filter((node) => node.kind === 'path')).toHaveLength(4);
  });

  it('of too many parts become pictures', () => {
    const { painted } = read(
      `<defs><pattern id="p" patternUnits="userSpaceOnUse" width="0.01" height="0.01">${SHAPE}</pattern></defs><path fill="url(#p)" d="M 0 0 L 5 0 L 5 5 Z"/>`,
    );
    expect(painted).toEqual(['a pattern of very many parts']);
  });
});
