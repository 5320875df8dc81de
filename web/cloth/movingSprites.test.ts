import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newDesign, newLayer, type Placement, sortByLayer } from '../../core/document/index.ts';
import { UPRIGHT } from '../../core/geometry/index.ts';
import { step } from '../../core/lattice/index.ts';
import { canPaintSeparately, cellWindow, clothPlan, paintPlane, sceneOf, SpriteCache } from '../../core/paint/index.ts';
import { seeded } from '../../core/random/index.ts';
import { anyDesign, anyStep, repeatsOf, LEAF_MOTIFS, leafAt } from '../../core/testing/arbitraries.ts';
import { nodeBackend, nodeSurface, pixelsOf } from '../../server/paint/nodeBackend.ts';
import { drawSprites, MANY, MovingSprites } from './movingSprites.ts';
import { stackAround } from './stackAround.ts';
import { spritesFor } from './spritesFor.ts';

const backend = nodeBackend();
const repeat = repeatsOf(
  fc.integer({ min: 60, max: 90 }),
  fc.integer({ min: 60, max: 90 }),
  anyStep.filter(({ drop }) => drop.q <= 3),
);

describe('what is below and above what moves', () => {
  it('is everything else, each thing once, in its order', () => {
    fc.assert(
      fc.property(anyDesign(undefined, 9), fc.infiniteStream(fc.boolean()), ({ placements }, stream) => {
        const moving = placements.map(({ id }) => id).filter(() => stream.next().value);
        const around = stackAround(placements, moving);
        if (moving.length === 0) {
          expect(around).toBeUndefined();
          return;
        }
        const rest = placements.map(({ id }) => id).filter((id) => !moving.includes(id));
        // Below, then what is drawn live with those that move, then above: the whole stack in its order.
        expect([...(around?.below ?? []), ...(around?.live ?? []), ...(around?.above ?? [])]).toEqual(
          placements.map(({ id }) => id),
        );
        expect(around?.live.filter((id) => !moving.includes(id)).every((id) => rest.includes(id))).toBe(true);
        expect([around?.live[0], around?.live.at(-1)]).toEqual([moving[0], moving.at(-1)]);
      }),
    );
  });

  it('is all below where what moves is not on the cloth yet', () => {
    const [design] = fc.sample(anyDesign(undefined, 3), 1);
    const around = stackAround(design?.placements ?? [], ['new']);
    expect(around?.below.size).toBe(design?.placements.length);
    expect(around?.above.size).toBe(0);
  });
});

const LAYERS = [
  newLayer('main', 'Motifs'),
  { ...newLayer('glass', 'Glass'), opacity: 0.6 },
  { ...newLayer('over', 'Over'), blend: 'multiply' as const },
];

describe('a moving motif', () => {
  it('looks, in every instance, as the cloth will when it is let go', () => {
    fc.assert(
      fc.property(
        anyDesign(repeat, 5),
        fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }),
        fc.array(fc.nat(2), { minLength: 5, maxLength: 5 }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        (flat, picked, inLayer, dx, dy) => {
          const start = {
            ...flat,
            layers: LAYERS,
            placements: sortByLayer(
              LAYERS,
              flat.placements.map((placement, n) => ({ ...placement, layer: LAYERS[inLayer[n] ?? 0]?.id ?? '' })),
            ),
          };
          const moved = start.placements.filter((_one, n) => picked[n]).map(({ id }) => id);
          const around = stackAround(start.placements, moved);
          fc.pre(around !== undefined && canPaintSeparately(start, around));
          if (!around) return;
          const design = {
            ...start,
            placements: start.placements.map((placement) =>
              moved.includes(placement.id) ? { ...placement, x: placement.x + dx, y: placement.y + dy } : placement,
            ),
          };
          const plan = clothPlan(design.repeat, 9, { width: 2000, height: 2000 });
          const window = { left: -60, top: -40, right: 340, bottom: 260 };
          const paint = (only?: ReadonlySet<string>, bare = false) => {
            const sheet = nodeSurface(400, 300);
            paintPlane(sheet.context, { scene: sceneOf(design, LEAF_MOTIFS), grid: plan.grid, window }, backend, {
              ...(only && { only }),
              bare,
            });
            return sheet;
          };
          const frame = paint(around.below);
          const draws = new MovingSprites(backend).draws(design, around.live, LEAF_MOTIFS, plan, window);
          drawSprites(frame.context, draws, plan.reduction, backend);
          backend.drawPixels(frame.context, paint(around.above, true).pixels, { x: 0, y: 0, width: 400, height: 300 });
          const [live, still] = [pixelsOf(frame), pixelsOf(paint())];
          let most = 0;
          for (let i = 0; i < live.length; i += 1)
            most = Math.max(most, Math.abs((live[i] as number) - (still[i] as number)));
          // What lies above is laid in one go, which rounds half-covered pixels once more.
          expect(most).toBeLessThanOrEqual(5);
          // And each is drawn within the box that is redrawn for it.
          for (const { box, at, part } of draws) {
            expect(box.left).toBeLessThanOrEqual(at.x + part.left);
            expect(box.bottom).toBeGreaterThanOrEqual(at.y + part.bottom);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('many that move together', () => {
  const random = seeded(7);
  const repeat = { width: 80, height: 70, step: step('half-drop') };
  const start = {
    ...newDesign('many', 'Many', repeat),
    placements: Array.from({ length: MANY + 6 }, (_, n) =>
      leafAt(`m${n}`, {
        ...UPRIGHT,
        x: 80 * random(),
        y: 70 * random(),
        rotation: 360 * random(),
        scale: 0.5 + random(),
      }),
    ),
  };
  const ids = start.placements.map(({ id }) => id);
  const plan = clothPlan(repeat, 5, { width: 2000, height: 2000 });
  const window = { left: -30, top: -20, right: 370, bottom: 280 };
  const laid = (design: typeof start, taken?: typeof start) => {
    const frame = nodeSurface(400, 300);
    drawSprites(
      frame.context,
      new MovingSprites(backend).draws(design, ids, LEAF_MOTIFS, plan, window, taken),
      plan.reduction,
      backend,
    );
    return pixelsOf(frame);
  };
  const changed = (change: (placement: Placement) => Partial<Placement>) => ({
    ...start,
    placements: start.placements.map((placement) => ({ ...placement, ...change(placement) })),
  });
  /** The mean difference of a channel where either is drawn on. */
  const off = (a: Uint8ClampedArray, b: Uint8ClampedArray): number => {
    let [sum, count] = [0, 0];
    for (let i = 0; i < a.length; i += 4) {
      if (a[i + 3] === 0 && b[i + 3] === 0) continue;
      for (let k = 0; k < 4; k += 1) sum += Math.abs((a[i + k] as number) - (b[i + k] as number));
      count += 4;
    }
    return sum / count;
  };

  it('are what they will be to the bit where they go by whole pixels', () => {
    const moved = changed(({ x, y }) => ({ x: x + 37 / plan.scaleX, y: y - 12 / plan.scaleY }));
    expect(off(laid(moved, start), laid(moved))).toBe(0);
  });

  it('are nearly what they will be where they go by parts of a pixel, turn, grow, lean or are mirrored', () => {
    for (const change of [
      ({ x, y }: Placement) => ({ x: x + 3.33, y: y + 7.77 }),
      ({ rotation }: Placement) => ({ rotation: rotation + 25 }),
      ({ scale, aspect }: Placement) => ({ scale: scale * 1.2, aspect: aspect * 0.9 }),
      ({ skew }: Placement) => ({ skew: skew + 15 }),
      ({ flipped }: Placement) => ({ mirrored: !flipped, x: 12 }),
    ]) {
      const moved = changed(change);
      const exact = laid(moved);
      expect(off(laid(moved, start), exact)).toBeLessThan(0.25 * off(laid(start), exact));
    }
  });

  it('are painted once, however they turn', () => {
    let painted = 0;
    const counting = {
      ...backend,
      createSurface: (...size: [number, number]) => ((painted += 1), backend.createSurface(...size)),
    };
    const sprites = new MovingSprites(counting);
    const turned = (by: number): number => {
      sprites.draws(
        changed(({ rotation }) => ({ rotation: rotation + by })),
        ids,
        LEAF_MOTIFS,
        plan,
        window,
        start,
      );
      return painted;
    };
    const first = turned(0);
    expect(first).toBeGreaterThan(0);
    for (let n = 1; n < 10; n += 1) expect(turned(n)).toBe(first);
  });

  it('need no painting on the page where the worker has handed their sprites over', () => {
    let painted = 0;
    const counting = {
      ...backend,
      createSurface: (...size: [number, number]) => ((painted += 1), backend.createSurface(...size)),
    };
    const scene = sceneOf(start, LEAF_MOTIFS);
    const handed = spritesFor(scene, ids, plan.grid, cellWindow(plan.grid), new SpriteCache(backend));
    expect(handed).toHaveLength(ids.length);
    const sprites = new MovingSprites(counting);
    sprites.keep(handed.map(({ key, sheet }) => ({ key, image: sheet.pixels as ImageBitmap })));
    for (const by of [0, 40])
      sprites.draws(
        changed(({ x }) => ({ x: x + by / plan.scaleX })),
        ids,
        LEAF_MOTIFS,
        plan,
        window,
        start,
      );
    expect(painted).toBe(0);
  });

  it('are handed over as far as the window shows them', () => {
    const scene = sceneOf(
      {
        ...start,
        placements: [
          leafAt('seen', { ...UPRIGHT, x: 10, y: 10, scale: 0.2 }),
          leafAt('beyond', { ...UPRIGHT, x: 60, y: 50, scale: 0.2 }),
        ],
      },
      LEAF_MOTIFS,
    );
    const corner = { left: 0, top: 0, right: 20 * plan.scaleX, bottom: 20 * plan.scaleY };
    expect(spritesFor(scene, ['seen', 'beyond'], plan.grid, corner, new SpriteCache(backend))).toHaveLength(1);
    expect(spritesFor(scene, [], plan.grid, corner, new SpriteCache(backend))).toEqual([]);
  });
});
