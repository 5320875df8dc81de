import { Resvg } from '@resvg/resvg-js';
import { describe, expect, it } from 'vitest';
import { asDrawn } from '../../core/document/index.ts';
import { compose, scalingMatrix, translationMatrix } from '../../core/geometry/index.ts';
import type { Artwork } from '../../core/motif/index.ts';
import { readSvg, writeSvg } from '../../core/svg/index.ts';
import { paintArtwork } from '../../core/paint/index.ts';
import { LEAF } from '../../core/testing/arbitraries.ts';
import { nodeBackend, nodeSurface, pixelsOf } from '../paint/nodeBackend.ts';

/** Everything that the model can hold, in one drawing. */
const ALL: Artwork = {
  ...LEAF,
  nodes: [
    ...LEAF.nodes,
    {
      kind: 'path',
      path: 'M 2 2 L 18 2 L 18 12 L 2 12 Z M 6 4 L 14 4 L 14 10 L 6 10 Z',
      rule: 'evenodd',
      fill: {
        kind: 'radial',
        focus: [9, 6],
        centre: [10, 7],
        radius: 12,
        matrix: [1, 0.1, 0, 1, 0, 0],
        stops: [
          { offset: 0, ink: '#c9a227', opacity: 1 },
          { offset: 1, ink: '#1f2430', opacity: 0.5 },
        ],
      },
      stroke: {
        paint: { kind: 'ink', ink: '#b3402e', opacity: 0.8 },
        width: 0.7,
        cap: 'butt',
        join: 'bevel',
        miterLimit: 4,
        dash: [2, 1],
        dashOffset: 0.5,
      },
      strokeFirst: true,
    },
  ],
};

function painted({ view, nodes }: Artwork, scale: number): Uint8ClampedArray {
  const [width, height] = [Math.round(view.width * scale), Math.round(view.height * scale)];
  const sheet = nodeSurface(width, height);
  paintArtwork(sheet.context, nodes, compose(scalingMatrix(scale, scale), translationMatrix(-view.x, -view.y)), {
    backend: nodeBackend(),
    resolve: asDrawn,
    width,
    height,
  });
  return pixelsOf(sheet);
}

/** Mean difference of the channels where either is drawn, as a share of the whole range. */
function difference(a: Uint8ClampedArray, b: Uint8ClampedArray): number {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += Math.abs((a[i] as number) - (b[i] as number));
  return sum / a.length / 255;
}

const KEPT = { blob: '', width: 1, height: 1 };

describe('an SVG that was written', () => {
  const text = writeSvg(ALL, 30, () => '');

  it('has its natural size and every ink', () => {
    expect(text).toMatch(/width="30mm" height="46.5mm"/);
    for (const ink of ['#3e7a5e', '#1f2430', '#b3402e', '#c9a227']) expect(text).toContain(ink);
  });

  it('reads back as what it was', () => {
    const { view, nodes } = readSvg(new Resvg(text).toString(), { keep: () => KEPT, paint: () => [] });
    const ours = painted(ALL, 8);
    // The reader's units are the file's own, so it is painted at the scale that gives as many pixels.
    expect(difference(ours, painted({ version: 1, view, nodes }, (8 * ALL.view.width) / view.width))).toBeLessThan(
      0.003,
    );
  });

  it('is shown by another engine as by ours', () => {
    const other = new Resvg(text, { fitTo: { mode: 'width', value: ALL.view.width * 8 } }).render();
    const ours = painted(ALL, 8);
    const theirs = Uint8ClampedArray.from(other.pixels);
    expect(other.width * other.height * 4).toBe(ours.length);
    // Theirs are premultiplied.
    for (let i = 0; i < ours.length; i += 4)
      for (let c = 0; c < 3; c += 1) ours[i + c] = ((ours[i + c] as number) * (ours[i + 3] as number)) / 255;
    expect(difference(ours, theirs)).toBeLessThan(0.005);
  });
});
