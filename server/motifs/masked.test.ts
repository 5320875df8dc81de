import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Design, newDesign, newPlacement } from '../../core/document/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import { paintPlane } from '../../core/paint/index.ts';
import { exportPlan, tileOrder } from '../../core/export/index.ts';
import type { DrawnRecipe, MaskedRecipe } from '../../core/recipe/index.ts';
import { filledArea } from '../../core/draw/index.ts';
import { BRUSH } from '../../core/draw/testing/hands.ts';
import { loadScene } from '../paint/loadScene.ts';
import { nodeSurface } from '../paint/nodeBackend.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';

let studio: TestStudio;
let plain: Made;
beforeAll(async () => {
  studio = await openTestStudio();
  plain = (await make(RECTANGLE)).body;
});
afterAll(() => studio.close());

/** 40 × 20 mm about its middle. */
const RECTANGLE: DrawnRecipe = {
  kind: 'drawn',
  strokes: [
    filledArea(
      BRUSH,
      [
        [
          { x: -20, y: -10 },
          { x: 20, y: -10 },
          { x: 20, y: 10 },
          { x: -20, y: 10 },
        ],
      ],
      0.001,
    ),
  ],
};

type Made = Motif & { readonly recipe: unknown; readonly uses: number };

async function make(recipe: unknown): Promise<{ status: number; body: Made }> {
  const { status, body } = await studio.call('POST', '/motifs/made', { name: 'A half', collection: 'Masks', recipe });
  return { status, body: body as unknown as Made };
}

/** Everything right of its middle is hidden. */
const halved = (softness: number): MaskedRecipe => ({
  kind: 'masked',
  original: plain.artwork,
  areas: [{ deed: 'hide', path: 'M 0 -100 L 100 -100 L 100 100 L 0 100 Z' }],
  softness,
  before: RECTANGLE,
});

/** The alpha along the middle row of a motif of 40 mm, ten pixels to the mm. */
async function middleRow(motif: Made): Promise<number[]> {
  const design: Design = {
    ...newDesign('d', 'Masks', { width: 60, height: 40, step: SQUARE }, '#ffffff'),
    ground: { kind: 'none' },
    placements: [newPlacement('p', motif, { x: 30, y: 20 })],
  };
  const { scene, backend } = await loadScene(design, [motif], studio.studio.blobs);
  const { grid, width, height } = exportPlan(design.repeat, tileOrder({ kind: 'density', dpi: 254 }));
  const surface = nodeSurface(width, height);
  paintPlane(surface.context, { scene, grid, window: { left: 0, top: 0, right: width, bottom: height } }, backend);
  const pixels = surface.read();
  return Array.from({ length: width }, (_, x) => pixels[4 * ((height / 2) * width + x) + 3] as number);
}

describe('a motif of which a part is hidden', () => {
  it('shows the rest where it was, and all of it again by its recipe of before', async () => {
    const { status, body } = await make(halved(0));
    expect(status).toBe(201);
    expect(body.view).toEqual(plain.view);
    expect(body.width).toBe(plain.width);
    const row = await middleRow(body);
    expect(row[299]).toBe(255);
    expect(row[301]).toBe(0);
    expect(row[150]).toBe(255);
    const back = await studio.call('PUT', `/motifs/${body.id}/recipe`, { recipe: RECTANGLE });
    expect((back.body as unknown as Made).artwork).toBe(plain.artwork);
  });

  it('fades as a Gaussian does where its edge is soft', async () => {
    const { body } = await make(halved(8));
    const row = await middleRow(body);
    // Over 8 mm: a standard deviation of 2 mm, or 20 pixels, at both sides of the edge.
    const share = (x: number): number => (row[x] as number) / 255;
    expect(share(300)).toBeCloseTo(0.5, 1);
    expect(share(280)).toBeGreaterThan(0.8);
    expect(share(280)).toBeLessThan(0.88);
    expect(share(320)).toBeGreaterThan(0.12);
    expect(share(320)).toBeLessThan(0.2);
    expect(share(250)).toBeGreaterThan(0.98);
    for (let x = 241; x < 360; x += 1) expect(row[x] as number).toBeLessThanOrEqual((row[x - 1] as number) + 1);
  });

  it('is refused where nothing is left, or where what it hides is not here', async () => {
    const all = { ...halved(0), areas: [{ deed: 'hide', path: 'M -99 -99 L 99 -99 L 99 99 L -99 99 Z' }] };
    expect(await make(all)).toMatchObject({ status: 422, body: { title: 'Nothing to see' } });
    expect(await make({ ...halved(0), original: `${'0'.repeat(64)}.json` })).toMatchObject({ status: 422 });
    const broken = { ...halved(0), areas: [{ deed: 'hide', path: 'M 0 0 X' }] };
    expect((await make(broken)).status).toBe(422);
  });

  it('has a small picture without what is hidden', async () => {
    const { body } = await make(halved(0));
    const { thumbnail } = (await studio.call('GET', `/motifs/${body.id}`)).body as unknown as { thumbnail: string };
    const png = Buffer.from(await (await studio.fetch(`/blobs/${thumbnail}`)).arrayBuffer());
    const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    const alpha = (share: number): number =>
      data[4 * (Math.floor(info.height / 2) * info.width + Math.floor(info.width * share)) + 3] as number;
    expect(alpha(0.25)).toBeGreaterThan(200);
    expect(alpha(0.9)).toBe(0);
  });
});
