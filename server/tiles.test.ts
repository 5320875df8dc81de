import type { Job } from '../contract/index.ts';
import { describe, expect, it } from 'vitest';
import sharp from 'sharp';
import { type Design } from '../core/document/index.ts';
import { type ExportOrder, tileOrder } from '../core/export/index.ts';
import { pixelGrid } from '../core/lattice/index.ts';
import { cellWindow, paintPlane } from '../core/paint/index.ts';
import { loadScene } from './paint/loadScene.ts';
import { nodeSurface, pixelsOf } from './paint/nodeBackend.ts';
import { motifsById } from './store/motifs.ts';

import { SPIRAL_REPEAT, useSpirals } from './testing/spirals.ts';

const spirals = useSpirals();

const byDensity = (dpi: number): ExportOrder => tileOrder({ kind: 'density', dpi });

describe('tiles', () => {
  it('tile without a seam: every pixel around the joins is that of the plane painted directly', async () => {
    const { id } = await spirals.create();
    const { body } = await spirals.hevrel.call('POST', '/exports', { design: id, order: byDensity(150) });
    const job = await spirals.hevrel.ended(body as unknown as Job);
    expect(job.state).toBe('done');
    const { href, width, height } = job.result as { href: string; width: number; height: number };
    const png = Buffer.from(await (await spirals.hevrel.fetch(href.replace('/api', ''))).arrayBuffer());
    expect((await sharp(png).metadata()).density).toBe(150);
    const tile = await sharp(png).ensureAlpha().raw().toBuffer();

    const grid = pixelGrid(SPIRAL_REPEAT, 150 / 25.4);
    expect([width, height]).toEqual([grid.tile.width, grid.tile.height]);
    const design = spirals.document();
    const { scene, backend } = await loadScene(
      design,
      await motifsById(spirals.hevrel.studio.database, [spirals.motif]),
      spirals.hevrel.studio.blobs,
    );
    // Two by two tiles and something over, beginning in the middle of one.
    const window = {
      left: -Math.floor(width / 2),
      top: -Math.floor(height / 2),
      right: Math.ceil(1.6 * width),
      bottom: Math.ceil(1.6 * height),
    };
    const plane = nodeSurface(window.right - window.left, window.bottom - window.top);
    paintPlane(plane.context, { scene, grid, window }, backend);
    const pixels = Buffer.from(pixelsOf(plane).buffer);
    let differing = 0;
    for (let y = window.top; y < window.bottom; y += 1) {
      for (let x = window.left; x < window.right; x += 1) {
        const p = ((y - window.top) * (window.right - window.left) + x - window.left) * 4;
        const t = ((((y % height) + height) % height) * width + (((x % width) + width) % width)) * 4;
        if (pixels.compare(tile, t, t + 4, p, p + 4) !== 0) differing += 1;
      }
    }
    expect(differing).toBe(0);
    // And the ink is printed in the colourway's colour.
    expect(pixels.includes(Buffer.from([0x20, 0x5a, 0xc0, 0xff]))).toBe(true);
    expect(cellWindow(grid).right).toBe(grid.cell.width);
  });

  it('are transparent where there is no ground, and as wide as wished', async () => {
    const { body: made } = await spirals.hevrel.call('POST', '/designs', {
      name: 'Bare',
      document: { ...spirals.document(), ground: { kind: 'none' } },
    });
    const { body } = await spirals.hevrel.call('POST', '/exports', {
      design: (made['design'] as Design).id,
      order: tileOrder({ kind: 'pixels', width: 300 }),
    });
    const { result } = await spirals.hevrel.ended(body as unknown as Job);
    const { href } = result as { href: string };
    const response = await spirals.hevrel.fetch(href.replace('/api', ''));
    expect(response.headers.get('content-disposition')).toContain('Bare 300x');
    const image = sharp(Buffer.from(await response.arrayBuffer()));
    const { channels } = await image.stats();
    expect((await image.metadata()).width).toBe(300);
    expect(channels[3]?.min).toBe(0);
    expect(channels[3]?.max).toBe(255);
  });

  it('are refused at once where they would be larger than can be made', async () => {
    const { id } = await spirals.create();
    const { body: made } = await spirals.hevrel.call('POST', '/designs', {
      name: 'Large',
      repeat: { width: 3000, height: 3000, step: SPIRAL_REPEAT.step },
    });
    const large = (made['design'] as Design).id;
    const order = byDensity(300);
    for (const [wish, status, detail] of [
      [{ design: large, order: byDensity(2400) }, 422, /megapixels; the most for a PNG is 400/],
      [{ design: large, order: { ...order, format: 'webp' } }, 422, /megapixels; the most for a WebP is 60/],
      [{ design: id, order: { ...order, size: { kind: 'density', dpi: 0 } } }, 400, /does not fit/],
      [{ design: id, order: { ...order, size: { kind: 'whim' } } }, 400, /does not fit/],
      [{ design: id, order: { ...order, format: 'xyz' } }, 400, /does not fit/],
      [{ design: id, swatch: id, order }, 422, /does not fit/],
      [{ design: id }, 400, /does not fit/],
      [{ order }, 422, /does not fit/],
    ] as const) {
      const answer = await spirals.hevrel.call('POST', '/exports', wish);
      expect(answer.status, JSON.stringify(wish)).toBe(status);
      expect(answer.body['detail']).toMatch(detail);
    }
  });

  it('can be stopped while they are painted', async () => {
    const { body: made } = await spirals.hevrel.call('POST', '/designs', {
      name: 'Large',
      document: { ...spirals.document(), repeat: { ...SPIRAL_REPEAT, width: 900, height: 900 } },
    });
    const { body } = await spirals.hevrel.call('POST', '/exports', {
      design: (made['design'] as Design).id,
      order: byDensity(300),
    });
    const stopped = await spirals.hevrel.call('DELETE', `/jobs/${body['id'] as string}`);
    expect(stopped.body).toMatchObject({ state: 'stopped', message: 'Stopped. Nothing was changed.' });
    expect((await spirals.hevrel.call('GET', `/exports/${body['id'] as string}/file`)).status).toBe(404);
  });

  it('tell how far they are', async () => {
    const { id } = await spirals.create();
    const { body } = await spirals.hevrel.call('POST', '/exports', { design: id, order: byDensity(300) });
    const events = await (await spirals.hevrel.fetch(`/jobs/${body['id'] as string}/events`)).text();
    const states = events
      .trim()
      .split('\n\n')
      .map((line) => JSON.parse(line.replace('data: ', '')) as Job);
    expect(states.at(-1)?.state).toBe('done');
    expect(states.map(({ progress }) => progress)).toEqual(
      states.map(({ progress }) => progress).sort((a, b) => a - b),
    );
  });
});

it('has written nothing to its log', () => {
  expect(spirals.hevrel.log).toEqual([]);
});
