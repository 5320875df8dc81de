import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { freeLayer, stacked } from '../../core/document/layer.ts';
import { canPaintApart } from '../../core/paint/apart.ts';
import { clothPlan } from '../../core/paint/clothPlan.ts';
import { paintPlane } from '../../core/paint/paintPlane.ts';
import { sceneOf } from '../../core/paint/scene.ts';
import { anyDesign, anyStep, LEAF_MOTIFS } from '../../core/testing/arbitraries.ts';
import { nodeEasel, nodeSheet, pixelsOf } from '../../server/paint/nodeEasel.ts';
import { layAll, MovingStamps } from './movingStamps.ts';
import { stackAround } from './stackAround.ts';

const easel = nodeEasel();
const repeat = fc.record({ width: fc.integer({ min: 60, max: 90 }), height: fc.integer({ min: 60, max: 90 }), step: anyStep.filter(({ drop }) => drop.q <= 3) });

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
        expect([...(around?.below ?? []), ...(around?.live ?? []), ...(around?.above ?? [])]).toEqual(placements.map(({ id }) => id));
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

const LAYERS = [freeLayer('main', 'Motifs'), { ...freeLayer('glass', 'Glass'), opacity: 0.6 }, { ...freeLayer('over', 'Over'), blend: 'multiply' as const }];

describe('a moving motif', () => {
  it('looks, in every echo, as the cloth will when it is let go', () => {
    fc.assert(
      fc.property(anyDesign(repeat, 5), fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }), fc.array(fc.nat(2), { minLength: 5, maxLength: 5 }), fc.double({ min: -90, max: 90, noNaN: true }), fc.double({ min: -90, max: 90, noNaN: true }), (flat, picked, inLayer, dx, dy) => {
        const start = { ...flat, layers: LAYERS, placements: stacked(LAYERS, flat.placements.map((one, n) => ({ ...one, layer: LAYERS[inLayer[n] ?? 0]?.id ?? '' }))) };
        const moved = start.placements.filter((_one, n) => picked[n]).map(({ id }) => id);
        const around = stackAround(start.placements, moved);
        fc.pre(around !== undefined && canPaintApart(start, around));
        if (!around) return;
        const design = { ...start, placements: start.placements.map((one) => (moved.includes(one.id) ? { ...one, x: one.x + dx, y: one.y + dy } : one)) };
        const plan = clothPlan(design.repeat, 9, { width: 2000, height: 2000 });
        const window = { left: -60, top: -40, right: 340, bottom: 260 };
        const paint = (only?: ReadonlySet<string>, bare = false) => {
          const sheet = nodeSheet(400, 300);
          paintPlane(sheet.surface, sceneOf(design, LEAF_MOTIFS), plan.grid, window, easel, { ...(only && { only }), bare });
          return sheet;
        };
        const frame = paint(around.below);
        const layings = new MovingStamps(easel).layings(design, around.live, LEAF_MOTIFS, plan, window);
        layAll(frame.surface, layings, plan.reduction, easel);
        easel.lay(frame.surface, paint(around.above, true).pixels, { x: 0, y: 0, width: 400, height: 300 });
        const [live, still] = [pixelsOf(frame), pixelsOf(paint())];
        let most = 0;
        for (let i = 0; i < live.length; i += 1) most = Math.max(most, Math.abs((live[i] as number) - (still[i] as number)));
        // What lies above is laid in one go, which rounds half-covered pixels once more.
        expect(most).toBeLessThanOrEqual(5);
        // And each is drawn within the box that is redrawn for it.
        for (const { box, at, stamp } of layings) {
          expect(box.left).toBeLessThanOrEqual(at.x + stamp.part.left);
          expect(box.bottom).toBeGreaterThanOrEqual(at.y + stamp.part.bottom);
        }
      }),
      { numRuns: 40 },
    );
  });
});
