import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { BLENDS, type Design, newLayer } from '../core/document/index.ts';
import { UPRIGHT } from '../core/geometry/index.ts';
import { pixelGrid } from '../core/lattice/index.ts';
import { paintPlane } from '../core/paint/index.ts';
import { SAMPLE_DESIGNS } from '../demo/samples.ts';
import { importMotif } from '../server/motifs/importMotif.ts';
import { sourceFileOf } from '../server/testing/sourceFileOf.ts';
import { loadScene } from '../server/paint/loadScene.ts';
import { nodeSurface, pixelsOf } from '../server/paint/nodeBackend.ts';
import { everyMotif } from '../server/store/motifs.ts';
import { useStudio } from './support/studio.ts';
import { runInPage } from './support/inPage.ts';
import type { PaintRequest } from './support/paintInPage.ts';

const SIDE = 1024;

const page = useStudio({ samples: true });

beforeAll(async () => {
  await page.goTo('/');
});

/** How many pixels of the two engines differ, and by how much at the most. */
async function difference(design: Design, scale: number): Promise<{ differing: number; most: number }> {
  const { studio } = page.hevrel.serving;
  const used = new Set(design.placements.map(({ motif }) => motif));
  const motifs = (await everyMotif(studio.database)).filter(({ id }) => used.has(id));
  const window = { left: -100, top: -60, right: SIDE - 100, bottom: SIDE - 60 };
  const { scene, backend } = await loadScene(design, motifs, studio.blobs);
  const sheet = nodeSurface(SIDE, SIDE);
  paintPlane(sheet.context, { scene, grid: pixelGrid(design.repeat, scale), window }, backend);
  const here = pixelsOf(sheet);
  const request: PaintRequest = { design, motifs, scale, window };
  const there = Buffer.from(await runInPage<string>(page.driver, 'e2e/support/paintInPage.ts', request), 'base64');
  expect(there.length).toBe(here.length);
  let differing = 0;
  let most = 0;
  for (let i = 0; i < here.length; i += 4) {
    let apart = 0;
    for (let c = 0; c < 4; c += 1)
      apart = Math.max(apart, Math.abs((here[i + c] as number) - (there[i + c] as number)));
    if (apart > 0) differing += 1;
    most = Math.max(most, apart);
  }
  return { differing, most };
}

describe('Chromium and Node', () => {
  it.each(SAMPLE_DESIGNS.map((design) => [design.name, design] as const))(
    'paint “%s” to the very same pixels',
    async (_name, design) => {
      expect(await difference(design, 2.37)).toEqual({ differing: 0, most: 0 });
    },
  );

  it('paint pictures, gradients, clips and transparency alike', async () => {
    const { studio } = page.hevrel.serving;
    const photo = await sharp({
      create: {
        width: 90,
        height: 70,
        channels: 3,
        noise: { type: 'gaussian', mean: 128, sigma: 60 },
        background: '#000',
      },
    })
      .png()
      .toBuffer();
    const vectors = `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="60mm" viewBox="0 0 60 60"><defs>
      <linearGradient id="l"><stop offset="0" stop-color="#b5442f"/><stop offset="1" stop-color="#22304a" stop-opacity=".3"/></linearGradient>
      <radialGradient id="r" cx=".4" cy=".3"><stop offset="0" stop-color="#fff"/><stop offset="1" stop-color="#566f52"/></radialGradient>
      <clipPath id="c"><circle cx="30" cy="30" r="26"/></clipPath></defs>
      <g clip-path="url(#c)" opacity=".8"><rect width="60" height="60" fill="url(#l)"/><circle cx="24" cy="34" r="18" fill="url(#r)"/></g>
      <path d="M5 55Q30 5 55 55" fill="none" stroke="url(#l)" stroke-width="4" stroke-dasharray="6 3" stroke-linecap="round"/></svg>`;
    const imported = await importMotif(studio, 'photo.png', await sourceFileOf(studio, photo), 'Test');
    const two = await importMotif(studio, 'vectors.svg', await sourceFileOf(studio, Buffer.from(vectors)), 'Test');
    const [base] = SAMPLE_DESIGNS as [Design, ...Design[]];
    const placement = {
      ...UPRIGHT,
      layer: 'main',
      rotation: 17,
      scale: 1.3,
      flipped: true,
      opacity: 0.9,
      blend: 'normal',
    } as const;
    const design: Design = {
      ...base,
      placements: [
        { ...placement, id: 'a', motif: imported.motif.id, x: 60, y: 70 },
        { ...placement, id: 'b', motif: two.motif.id, x: 150, y: 200 },
        { ...placement, id: 'c', motif: imported.motif.id, x: 200, y: 90, scale: 0.4, rotation: 0 },
      ],
    };
    expect(await difference(design, 2.37)).toEqual({ differing: 0, most: 0 });
  });

  it('stretch, slant, blend and lay layers down alike', async () => {
    const [base] = SAMPLE_DESIGNS as [Design, ...Design[]];
    const layers = [
      { ...newLayer('under', 'Under'), opacity: 0.7 },
      newLayer('main', 'Motifs'),
      { ...newLayer('over', 'Over'), blend: 'multiply' as const },
      { ...newLayer('away', 'Away'), shown: false },
    ];
    const names = ['under', 'main', 'over', 'away'];
    const placements = base.placements.map((placement, n) => ({
      ...placement,
      layer: names[n % 4] as string,
      aspect: 0.6 + (n % 5) / 4,
      skew: ((n * 17) % 80) - 40,
      blend: BLENDS[n % BLENDS.length] as (typeof BLENDS)[number],
    }));
    expect(
      await difference(
        { ...base, layers, placements: names.flatMap((name) => placements.filter(({ layer }) => layer === name)) },
        2.37,
      ),
    ).toEqual({ differing: 0, most: 0 });
  });
});
