import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newDesign, newPlacement } from '../../core/document/index.ts';
import { drawnStroke, MOST_PEN_POINTS } from '../../core/draw/index.ts';
import type { Brush, DrawnRecipe, VineRecipe } from '../../core/recipe/index.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';

let studio: TestStudio;
beforeAll(async () => {
  studio = await openTestStudio();
});
afterAll(() => studio.close());

interface Made {
  readonly id: string;
  readonly width: number;
  readonly artwork: string;
  readonly inks: readonly string[];
  readonly uses: number;
}

const BRUSH: Brush = {
  width: 4,
  thinning: 0,
  pressure: 'none',
  taperStart: 0,
  taperEnd: 0,
  smoothing: 0.5,
  roughness: 0,
  ink: '#22304a',
  opacity: 1,
  fill: null,
};
const line = (length: number, count = 30, brush: Partial<Brush> = {}) =>
  drawnStroke(
    { ...BRUSH, ...brush },
    Array.from({ length: count }, (_, n) => ({
      x: -length / 2 + (length * n) / Math.max(1, count - 1),
      y: 0,
      time: n,
      pressure: 1,
    })),
    1,
  );
const drawing = (...strokes: DrawnRecipe['strokes']): DrawnRecipe => ({ kind: 'drawn', strokes });
const vine = (leaf?: string): VineRecipe => ({
  kind: 'vine',
  index: { i: 1, j: 0 },
  period: { x: 120, y: 0 },
  knots: [
    { x: -60, y: 0, width: 3 },
    { x: 0, y: 12, width: 4 },
  ],
  ink: '#566f52',
  opacity: 1,
  branches: [],
  leaves:
    leaf === undefined
      ? []
      : [
          {
            motif: leaf,
            spacing: 30,
            offset: 0.5,
            side: 'alternate',
            angle: 60,
            smallest: 1,
            largest: 1,
            gap: 0,
            seed: 1,
            mirrored: true,
          },
        ],
});

const made = (recipe: unknown) => studio.call('POST', '/motifs/made', { name: 'By hand', collection: 'Drawn', recipe });
const make = async (recipe: unknown): Promise<Made> => (await made(recipe)).body as unknown as Made;
const listed = async (id: string): Promise<Made> => (await studio.call('GET', `/motifs/${id}`)).body as unknown as Made;
const artworkOf = async ({ artwork }: Made): Promise<{ nodes: unknown[] }> =>
  (await (await studio.fetch(`/blobs/${artwork}`)).json()) as { nodes: unknown[] };

describe('a hand-drawn motif', () => {
  it('is as large as its strokes, in their inks, and grows where more is drawn without moving', async () => {
    const motif = await make(drawing(line(40, 30, { fill: '#d8a63a' })));
    expect(motif.width).toBeCloseTo(44, 0);
    expect(motif.inks).toContain('#22304a');
    const { status } = await studio.call('PUT', `/motifs/${motif.id}/recipe`, {
      recipe: drawing(line(40), line(80, 30, { ink: '#b5442f' })),
    });
    expect(status).toBe(200);
    const grown = await listed(motif.id);
    expect(grown.width).toBeCloseTo(84, 0);
    expect(grown.inks).toEqual(['#22304a', '#b5442f']);
  });

  it('is made of one point and of as many as a stroke holds, and stays under 12 bytes a point', async () => {
    const dot = await make(drawing(line(0, 1)));
    expect(dot.width).toBeCloseTo(4, 0);
    const long = drawing(line(900, 50_000));
    expect((await made(long)).status).toBe(201);
    expect(JSON.stringify(long).length / MOST_PEN_POINTS).toBeLessThan(12);
  });

  it('is refused with a sentence where there is nothing to see or nothing that can be read', async () => {
    expect(await made(drawing())).toMatchObject({ status: 400 });
    const rubbed = { ...line(40), deed: 'rubber' };
    expect(await made({ kind: 'drawn', strokes: [rubbed] })).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining('Nothing was changed') as string },
    });
    for (const points of ['', '!', 'AAA', 'x'.repeat(300_000)])
      expect((await made({ kind: 'drawn', strokes: [{ ...line(40), points }] })).status).toBeLessThan(500);
    const many = { kind: 'drawn', strokes: Array.from({ length: 1001 }, () => line(4, 2)) };
    expect(await made(many)).toMatchObject({ status: 400 });
  });
});

describe('a vine', () => {
  it('has leaves that follow their motif wherever it changes, and counts as their use', async () => {
    const leaf = await make(drawing(line(12)));
    const stem = await make(vine(leaf.id));
    expect(stem.inks).toEqual(['#566f52', '#22304a']);
    expect((await artworkOf(stem)).nodes).toHaveLength(5);
    await studio.call('PUT', `/motifs/${leaf.id}/recipe`, { recipe: drawing(line(12, 30, { ink: '#d8a63a' })) });
    expect((await listed(stem.id)).inks).toEqual(['#566f52', '#d8a63a']);
    const document = {
      ...newDesign('x', 'Vines', { width: 120, height: 90, step: { kind: 'square', drop: { p: 0, q: 1 } } }),
      placements: [newPlacement('v', { id: stem.id }, { x: 60, y: 45 })],
    };
    expect((await studio.call('POST', '/designs', { name: 'Vines', document })).status).toBe(201);
    // Through the vine, though it lies on no cloth by itself.
    expect((await listed(leaf.id)).uses).toBe(1);
    const motifs = (await studio.call('GET', `/motifs/${leaf.id}/uses`)).body as unknown as unknown[];
    expect(motifs).toHaveLength(1);
  });

  it('is refused where a leaf is gone, where it leads nowhere, or grows on itself', async () => {
    expect(await made(vine('nowhere'))).toMatchObject({ status: 422 });
    expect(await made({ ...vine(), period: { x: 0, y: 0 } })).toMatchObject({ status: 422 });
    expect(await made({ ...vine(), knots: [] })).toMatchObject({ status: 400 });
    const stem = await make(vine());
    expect(await studio.call('PUT', `/motifs/${stem.id}/recipe`, { recipe: vine(stem.id) })).toMatchObject({
      status: 422,
    });
  });
});

describe('moved points', () => {
  const SVG =
    '<svg xmlns="http://www.w3.org/2000/svg" width="40mm" height="40mm" viewBox="0 0 40 40"><g transform="translate(5 5)"><path d="M0 0L20 0L20 20L0 20Z" fill="#22304a"/></g><circle cx="30" cy="30" r="4" fill="#b5442f"/></svg>';
  const imported = async (): Promise<Made> => {
    const { body } = await studio.send(`points ${Math.random()}.svg`, SVG.replace('r="4"', `r="${4 + Math.random()}"`));
    return body['motif'] as unknown as Made;
  };
  const remade = (id: string, recipe: unknown) => studio.call('PUT', `/motifs/${id}/recipe`, { recipe });

  it('keep the scale and the middle of a drawing from a file, can be taken away, and gone back from', async () => {
    const motif = await imported();
    const moved = { kind: 'points', original: motif.artwork, before: null };
    const far = { node: [0, 0], path: 'M -20 0 L 20 0 L 20 20 L 0 20 Z' };
    expect((await remade(motif.id, { ...moved, paths: [far] })).status).toBe(200);
    const grown = await listed(motif.id);
    const before = await artworkOf(motif);
    expect(grown.artwork).not.toBe(motif.artwork);
    expect(before.nodes.length).toBeGreaterThan(0);
    // 15 mm farther to the left of a middle that stays; as much is added on the right.
    expect(grown.width).toBeGreaterThan(50);
    expect((await remade(motif.id, { ...moved, paths: [] })).status).toBe(200);
    const back = await listed(motif.id);
    expect(back.artwork).toBe(motif.artwork);
    expect(back.width).toBeCloseTo(motif.width, 6);
  });

  it('go back to how the motif was built', async () => {
    const recipe = drawing(line(40));
    const motif = await make(recipe);
    const { nodes } = (await artworkOf(motif)) as { nodes: { path: string }[] };
    const path = nodes[0]?.path.replace(/^M \S+/, 'M -30') ?? '';
    const points = { kind: 'points', original: motif.artwork, paths: [{ node: [0], path }], before: recipe };
    expect((await remade(motif.id, points)).status).toBe(200);
    expect((await listed(motif.id)).width).toBeGreaterThan(motif.width);
    expect((await remade(motif.id, recipe)).status).toBe(200);
    expect((await listed(motif.id)).artwork).toBe(motif.artwork);
  });

  it('are refused where the drawing has no such path, where nothing is left, and where they cannot be read', async () => {
    const motif = await imported();
    const moved = { kind: 'points', original: motif.artwork, before: null };
    for (const paths of [
      [{ node: [99], path: 'M 0 0 L 9 9 L 0 9 Z' }],
      [{ node: [0, 0], path: 'M 0 0 X 9 9' }],
      [
        { node: [0, 0], path: '' },
        { node: [1], path: '' },
      ],
    ])
      expect(await remade(motif.id, { ...moved, paths })).toMatchObject({
        status: 422,
        body: { detail: expect.stringContaining('Nothing was changed') as string },
      });
    expect(await remade(motif.id, { ...moved, paths: [], original: `${'0'.repeat(64)}.json` })).toMatchObject({
      status: 422,
    });
    expect((await listed(motif.id)).artwork).toBe(motif.artwork);
  });
});
