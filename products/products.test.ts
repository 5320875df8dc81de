import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { everyElement, parseXml } from '../core/svg/index.ts';
import { faceMap, productSchema } from '../core/tryon/index.ts';
import { PRODUCTS } from './draw/products.ts';

const read = (name: string): string => readFileSync(new URL(name, import.meta.url), 'utf8');

describe('the products', () => {
  it('are all there, each a drawing and what is told of it', () => {
    const ids = PRODUCTS.map((draw) => draw().about.id).sort();
    expect(ids.length).toBeGreaterThanOrEqual(16);
    for (const ending of ['.svg', '.json'])
      expect(
        readdirSync(new URL('.', import.meta.url))
          .filter((name) => name.endsWith(ending))
          .map((name) => name.slice(0, -ending.length))
          .sort(),
      ).toEqual(ids);
  });

  for (const draw of PRODUCTS) {
    const scene = draw();
    const { id, name } = scene.about;
    it(`are as their scripts draw them: ${name}`, () => {
      expect(read(`${id}.svg`)).toBe(scene.svg());
      expect(JSON.parse(read(`${id}.json`))).toEqual(JSON.parse(JSON.stringify(scene.product())));
    });

    it(`keep to what a product file is: ${name}`, () => {
      const product = productSchema.validateSync(scene.product(), { strict: true });
      const root = parseXml(scene.svg());
      const groups = root.children.filter((child) => child.name === 'g').map((group) => group.attributes['id']);
      expect(groups).toEqual(['under', 'pieces', 'light', 'over']);
      const ids = new Set([...everyElement(root)].map((element) => element.attributes['id']));
      for (const piece of product.pieces) expect(ids.has(piece.id)).toBe(true);
      // Nothing is drawn but filled paths, so that every reader draws it alike.
      for (const element of everyElement(root))
        expect(['svg', 'title', 'defs', 'g', 'path', 'linearGradient', 'radialGradient', 'stop']).toContain(
          element.name,
        );
    });

    it(`have cloth wherever a piece is drawn: ${name}`, () => {
      const root = parseXml(scene.svg());
      const group = root.children.find((child) => child.attributes['id'] === 'pieces');
      const out = new Float64Array(2);
      for (const { id: piece, face } of scene.product().pieces) {
        const path = group?.children.find((child) => child.attributes['id'] === piece)?.attributes['d'] ?? '';
        const points = [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const);
        expect(points.length).toBeGreaterThanOrEqual(3);
        const [cx, cy] = [0, 1].map(
          (axis) => points.reduce((sum, point) => sum + (point[axis] as number), 0) / points.length,
        ) as [number, number];
        const { toCloth } = faceMap(face);
        // Just inside its outline, towards the middle; outlines that are far from convex may miss the piece there, but not its cloth.
        const seen = points.filter(([x, y]) => toCloth(x + (cx - x) * 0.06, y + (cy - y) * 0.06, out));
        expect(seen.length / points.length).toBeGreaterThan(0.9);
      }
    });
  }
});
