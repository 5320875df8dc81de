import { Resvg } from '@resvg/resvg-js';
import { describe, expect, it } from 'vitest';
import { asDrawn } from '../../core/document/index.ts';
import { compose, scalingMatrix, translationMatrix } from '../../core/geometry/index.ts';
import type { Artwork } from '../../core/motif/index.ts';
import { readSvg, writeSvg } from '../../core/svg/index.ts';
import { paintArtwork } from '../../core/paint/index.ts';
import { EVERY_NODE } from '../../core/testing/everyNode.ts';
import { nodeBackend, nodeSurface, pixelsOf } from '../paint/nodeBackend.ts';

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
  const text = writeSvg(EVERY_NODE, 30, { picture: () => '', mask: () => '' });

  it('has its natural size and every ink', () => {
    expect(text).toMatch(/width="30mm" height="46.5mm"/);
    for (const ink of ['#3e7a5e', '#1f2430', '#b3402e', '#c9a227']) expect(text).toContain(ink);
  });

  it('reads back as what it was', () => {
    const { view, nodes } = readSvg(new Resvg(text).toString(), { keep: () => KEPT, paint: () => [] });
    const ours = painted(EVERY_NODE, 8);
    // The reader's units are the file's own, so it is painted at the scale that gives as many pixels.
    expect(
      difference(ours, painted({ version: 1, view, nodes }, (8 * EVERY_NODE.view.width) / view.width)),
    ).toBeLessThan(0.003);
  });

  it('is shown by another engine as by ours', () => {
    const other = new Resvg(text, { fitTo: { mode: 'width', value: EVERY_NODE.view.width * 8 } }).render();
    const ours = painted(EVERY_NODE, 8);
    const theirs = Uint8ClampedArray.from(other.pixels);
    expect(other.width * other.height * 4).toBe(ours.length);
    // Theirs are premultiplied.
    for (let i = 0; i < ours.length; i += 4)
      for (let c = 0; c < 3; c += 1) ours[i + c] = ((ours[i + c] as number) * (ours[i + 3] as number)) / 255;
    expect(difference(ours, theirs)).toBeLessThan(0.005);
  });
});
