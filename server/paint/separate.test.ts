import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Hex } from '../../core/colour/index.ts';
import { type Design, newDesign } from '../../core/document/index.ts';
import { pixelGrid, SQUARE, step } from '../../core/lattice/index.ts';
import { inksOf } from '../../core/motif/index.ts';
import { paintPlane, sceneOf } from '../../core/paint/index.ts';
import {
  DEFAULT_SEPARATION,
  layPlates,
  type Separation,
  separating,
  type SeparationOrder,
} from '../../core/separate/index.ts';
import { anyPlacementFields, LEAF, LEAF_MOTIFS, leafAt } from '../../core/testing/arbitraries.ts';
import { nodeBackend, nodeSurface, pixelsOf } from './nodeBackend.ts';

const backend = nodeBackend();
const LEAF_INKS = inksOf(LEAF);
const INK_COLOURS: readonly Hex[] = ['#d04030', '#2040a0', '#308050', '#f0c040', '#703080'];

function designOf(placements: Design['placements'], ground: Design['ground'], kind = step('half-drop')): Design {
  const inks = LEAF_INKS.map((hex, n) => ({ id: `ink-${n}`, name: `Ink ${n}`, prints: [hex] }));
  const colours = Object.fromEntries(inks.map(({ id }, n) => [id, INK_COLOURS[n % INK_COLOURS.length] as Hex]));
  return {
    ...newDesign('d', 'Plates', { width: 36, height: 30, step: kind }),
    ground,
    inks: [{ id: 'ground', name: 'Ground', prints: [] }, ...inks],
    colourways: [{ id: 'base', name: 'Base', colours: { ground: '#f4ead2', ...colours } }],
    placements,
  };
}

const opaque = anyPlacementFields.map((fields) => leafAt('a', { ...fields, opacity: 1, blend: 'normal' }));
const flat: fc.Arbitrary<Design> = fc
  .tuple(opaque, opaque, fc.boolean())
  .map(([a, b, bare]) => designOf([a, { ...b, id: 'b' }], bare ? { kind: 'none' } : { kind: 'flat', ink: 'ground' }));

function taken(design: Design, order: Partial<SeparationOrder>): { separation: Separation; pixels: Uint8ClampedArray } {
  const grid = pixelGrid(design.repeat, 3);
  const { width, height } = grid.tile;
  const window = { left: 0, top: 0, right: width, bottom: height };
  const steps = separating(
    { design, motifs: LEAF_MOTIFS, colourway: undefined, grid, window, backend },
    { ...DEFAULT_SEPARATION, ...order },
  );
  let last = steps.next();
  while (!last.done) last = steps.next();
  const sheet = nodeSurface(width, height);
  paintPlane(sheet.context, { scene: sceneOf(design, LEAF_MOTIFS), grid, window }, backend);
  return { separation: last.value, pixels: pixelsOf(sheet) };
}

const laid = ({ inks, plates, width, height }: Separation): Uint8ClampedArray =>
  layPlates(
    plates.map((shades, n) => ({ shades, colour: inks[n]?.colour ?? '#000000' })),
    width * height,
  );

const hexAt = (data: Uint8ClampedArray, at: number): string =>
  `#${[0, 1, 2].map((n) => (data[at + n] as number).toString(16).padStart(2, '0')).join('')}`;
const inkColours = ({ colourways }: Design): ReadonlySet<string> =>
  new Set(Object.values(colourways[0]?.colours ?? {}));

describe('plates of flat inks', () => {
  it('laid over each other in order are the painted tile', () => {
    fc.assert(
      fc.property(flat, (design) => {
        const { separation, pixels } = taken(design, { depth: 'grey' });
        const found = laid(separation);
        const known = inkColours(design);
        // Each plate is rounded to 8 bits, and that of an edge can keep a trace of what the colours round away.
        let [atEdges, inside] = [0, 0];
        for (let at = 0; at < pixels.length; at += 4) {
          const alpha = pixels[at + 3] as number;
          const isInk = alpha === 255 && known.has(hexAt(pixels, at));
          for (let n = 0; n < 4; n++) {
            const weight = n === 3 ? 1 : alpha / 255;
            const far = Math.abs(((found[at + n] as number) - (pixels[at + n] as number)) * weight);
            if (isInk) inside = Math.max(inside, far);
            else atEdges = Math.max(atEdges, far);
          }
        }
        expect(inside).toBeLessThanOrEqual(2);
        expect(atEdges).toBeLessThanOrEqual(6);
        expect(separation.facts.gaps).toBe(0);
        expect(separation.facts.overprints).toBe(0);
      }),
      { numRuns: 25, endOnFailure: true },
    );
  });

  it('of one bit give each pixel to the ink that covers most of it: none differs where one covers all', () => {
    fc.assert(
      fc.property(flat, fc.constantFrom('flat', 'screened'), (design, depth) => {
        const { separation, pixels } = taken(design, { depth });
        const known = inkColours(design);
        const found = laid(separation);
        let compared = 0;
        for (let at = 0; at < pixels.length; at += 4) {
          if (pixels[at + 3] !== 255 || !known.has(hexAt(pixels, at))) continue;
          compared += 1;
          if (hexAt(found, at) !== hexAt(pixels, at)) expect.fail(`pixel ${at / 4}: ${hexAt(found, at)}`);
        }
        expect(compared).toBeGreaterThan(0);
        for (const plate of separation.plates) expect(plate.every((value) => value === 0 || value === 255)).toBe(true);
      }),
      { numRuns: 25, endOnFailure: true },
    );
  });

  it('have a trap as wide as it was asked for', () => {
    const design = designOf([leafAt('a', { x: 18, y: 15, scale: 1.2 })], { kind: 'flat', ink: 'ground' }, SQUARE);
    const before = taken(design, { depth: 'flat' }).separation;
    const after = taken(design, { depth: 'flat', trap: 1 }).separation;
    const n = before.inks.findIndex(({ id }) => id === 'ground');
    const [own, spread] = [before.plates[n] as Uint8Array, after.plates[n] as Uint8Array];
    // At three pixels to the mm, about a step across and down of each other.
    let farthest = 0;
    for (let at = 0; at < own.length; at++) {
      if (own[at] || !spread[at]) continue;
      const [x, y] = [at % before.width, Math.floor(at / before.width)];
      let least = Infinity;
      for (let dy = -6; dy <= 6; dy++)
        for (let dx = -6; dx <= 6; dx++) {
          const [u, v] = [(x + dx + before.width) % before.width, (y + dy + before.height) % before.height];
          if (own[v * before.width + u]) least = Math.min(least, Math.hypot(dx, dy));
        }
      farthest = Math.max(farthest, least);
    }
    expect(farthest).toBeGreaterThan(2);
    expect(farthest).toBeLessThanOrEqual(3.6);
    expect(after.facts.overprints).toBe(0);
    expect(after.facts.gaps).toBe(0);
    expect(after.facts.total).toBeGreaterThan(before.facts.total);
  });
});

describe('plates of what is not flat', () => {
  it('print on each other where motifs multiply, which is said', () => {
    const fields = { x: 18, y: 15, scale: 1.4 };
    const design = designOf([leafAt('a', { ...fields, blend: 'multiply' })], { kind: 'flat', ink: 'ground' }, SQUARE);
    const { facts } = taken(design, {}).separation;
    expect(facts.overprints).toBeGreaterThan(0.05);
    expect(facts.most).toBeGreaterThan(1.5);
  });

  it('share a gradient: dots of either ink, which make up as much as its share', () => {
    const [ink] = LEAF_INKS.map((_, n) => `ink-${n}`) as [string];
    const stops = [
      { ink: 'ground', at: 0 },
      { ink, at: 0.5 },
    ];
    const design = designOf([], { kind: 'gradient', stops, across: 2, down: 0 }, SQUARE);
    const { inks, facts, plates } = taken(design, { lpi: 20 }).separation;
    expect(inks.map(({ id }) => id).sort()).toEqual(['ground', ink].sort());
    for (const share of facts.coverage) expect(share).toBeCloseTo(0.5, 1);
    for (const plate of plates) {
      const printed = plate.filter((value) => value === 255).length / plate.length;
      expect(printed).toBeGreaterThan(0.4);
      expect(printed).toBeLessThan(0.6);
    }
  });
});
