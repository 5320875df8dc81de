import type { Job } from '../contract/index.ts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import sharp from 'sharp';
import { type Design, newDesign } from '../core/document/index.ts';
import { pixelGrid, step } from '../core/lattice/index.ts';
import { cellWindow, paintPlane } from '../core/paint/index.ts';
import { leafAt } from '../core/testing/arbitraries.ts';
import { loadScene } from './paint/loadScene.ts';
import { nodeSurface, pixelsOf } from './paint/nodeBackend.ts';
import { motifsById } from './store/motifs.ts';
import { openTestStudio, type TestStudio } from './testing/testStudio.ts';

const SPIRAL = `<svg xmlns="http://www.w3.org/2000/svg" width="30mm" height="40mm" viewBox="0 0 30 40">
  <path d="M2 20C2 5 28 5 28 20S10 38 15 39 2 30 2 20z" fill="#b5442f"/><circle cx="12" cy="18" r="5" fill="#f4ecdc" stroke="#22304a"/></svg>`;

let hevrel: TestStudio;

let motif: string;

beforeAll(async () => {
  hevrel = await openTestStudio();
  motif = ((await hevrel.send('spiral.svg', SPIRAL)).body['motif'] as { id: string }).id;
});

afterAll(() => hevrel.close());

const repeat = { width: 61.3, height: 47.9, step: step('half-drop', 1, 3) };

function document(): Design {
  const blank = newDesign('x', 'Spirals', repeat);
  return {
    ...blank,
    inks: [...blank.inks, { id: 'red', name: 'Red', prints: ['#b5442f'] }],
    colourways: [{ id: 'base', name: 'Base', colours: { ground: '#f2eee4', red: '#205ac0' } }],
    placements: [
      leafAt('a', { motif, x: 0, y: 10, rotation: 33 }),
      leafAt('b', { motif, x: 40, y: 47, scale: 0.6, flipped: true, opacity: 0.7 }),
    ],
  };
}

async function create(): Promise<Design> {
  const { status, body } = await hevrel.call('POST', '/designs', { name: 'Spirals', document: document() });
  expect(status).toBe(201);
  return body['design'] as Design;
}

describe('tiles', () => {
  it('tile without a seam: every pixel around the joins is that of the plane painted directly', async () => {
    const { id } = await create();
    const { body } = await hevrel.call('POST', '/exports', { design: id, dpi: 150 });
    const job = await hevrel.ended(body as unknown as Job);
    expect(job.state).toBe('done');
    const { href, width, height } = job.result as { href: string; width: number; height: number };
    const png = Buffer.from(await (await hevrel.fetch(href.replace('/api', ''))).arrayBuffer());
    expect((await sharp(png).metadata()).density).toBe(150);
    const tile = await sharp(png).ensureAlpha().raw().toBuffer();

    const grid = pixelGrid(repeat, 150 / 25.4);
    expect([width, height]).toEqual([grid.tile.width, grid.tile.height]);
    const design = document();
    const { scene, backend } = await loadScene(
      design,
      await motifsById(hevrel.studio.database, [motif]),
      hevrel.studio.blobs,
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
    const { body: made } = await hevrel.call('POST', '/designs', {
      name: 'Bare',
      document: { ...document(), ground: { kind: 'none' } },
    });
    const { body } = await hevrel.call('POST', '/exports', { design: (made['design'] as Design).id, width: 300 });
    const { result } = await hevrel.ended(body as unknown as Job);
    const { href } = result as { href: string };
    const response = await hevrel.fetch(href.replace('/api', ''));
    expect(response.headers.get('content-disposition')).toContain('Bare 300x');
    const image = sharp(Buffer.from(await response.arrayBuffer()));
    const { channels } = await image.stats();
    expect((await image.metadata()).width).toBe(300);
    expect(channels[3]?.min).toBe(0);
    expect(channels[3]?.max).toBe(255);
  });

  it('are refused at once where they would be larger than can be made', async () => {
    const { id } = await create();
    for (const wish of [
      { dpi: 2400, design: id },
      { dpi: 0, design: id },
      { design: id },
      { dpi: 300, width: 300, design: id },
      { dpi: 300 },
    ]) {
      const big = 'dpi' in wish && wish.dpi === 2400;
      const made = big
        ? await hevrel.call('POST', '/designs', {
            name: 'Large',
            repeat: { width: 3000, height: 3000, step: repeat.step },
          })
        : undefined;
      const answer = await hevrel.call(
        'POST',
        '/exports',
        big ? { ...wish, design: (made?.body['design'] as Design).id } : wish,
      );
      expect(answer.status).toBe(big ? 422 : 400);
      expect(answer.body['detail']).toMatch(big ? /megapixels; the most is 400/ : /does not fit/);
    }
  });

  it('can be stopped while they are painted', async () => {
    const { body: made } = await hevrel.call('POST', '/designs', {
      name: 'Large',
      document: { ...document(), repeat: { ...repeat, width: 900, height: 900 } },
    });
    const { body } = await hevrel.call('POST', '/exports', { design: (made['design'] as Design).id, dpi: 300 });
    const stopped = await hevrel.call('DELETE', `/jobs/${body['id'] as string}`);
    expect(stopped.body).toMatchObject({ state: 'stopped', message: 'Stopped. Nothing was changed.' });
    expect((await hevrel.call('GET', `/exports/${body['id'] as string}/file`)).status).toBe(404);
  });

  it('tell how far they are', async () => {
    const { id } = await create();
    const { body } = await hevrel.call('POST', '/exports', { design: id, dpi: 300 });
    const events = await (await hevrel.fetch(`/jobs/${body['id'] as string}/events`)).text();
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
  expect(hevrel.log).toEqual([]);
});
