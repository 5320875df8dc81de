import { describe, expect, it } from 'vitest';
import { inksOf } from '../core/motif/index.ts';
import { cleanStepsSchema, DEEPEST_BUNDLE, recipeSchema } from '../core/recipe/index.ts';
import { shapeArtwork } from '../core/shapes/index.ts';
import { letterer } from '../server/motifs/letterer.ts';
import { drawnOn, GLASS_MM, ORIGINALS } from '../server/scanner/originals.ts';
import { BUILT, BUNDLES, SHEETS } from './built.ts';
import { LOW_TIDE } from './collection.ts';
import { INKS } from './draw/block.ts';
import { sampleMotifId } from './sampleDesign.ts';

describe('the built samples', () => {
  it('are recipes that the studio takes, in the inks of the collection', () => {
    const inks = new Set<string>(Object.values(INKS));
    for (const { id, recipe } of BUILT) {
      expect(recipeSchema.isValidSync(recipe, { strict: true }), id).toBe(true);
      const artwork = shapeArtwork(recipe, letterer);
      for (const ink of inksOf(artwork)) expect(inks.has(ink), `${id} ${ink}`).toBe(true);
      expect(artwork.view.width, id).toBeGreaterThan(8);
      expect(artwork.view.width, id).toBeLessThan(120);
    }
  });

  it('have names and ids of their own', () => {
    const all = [...LOW_TIDE, ...BUILT, ...BUNDLES];
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
    expect(new Set(all.map(({ name }) => name)).size).toBe(all.length);
  });

  it('bundle what is there before them, no deeper than bundles go', () => {
    const depth = new Map<string, number>([...LOW_TIDE, ...BUILT].map(({ id }) => [sampleMotifId(id), 0]));
    for (const { id, parts } of BUNDLES) {
      expect(recipeSchema.isValidSync({ kind: 'bundle', parts }, { strict: true }), id).toBe(true);
      const below = parts.map(({ motif }) => depth.get(motif));
      expect(
        below.every((one) => one !== undefined),
        id,
      ).toBe(true);
      depth.set(sampleMotifId(id), 1 + Math.max(...below.map((one) => one ?? 0)));
    }
    expect(Math.max(...depth.values())).toBe(2);
    expect(DEEPEST_BUNDLE).toBeGreaterThanOrEqual(2);
  });
});

describe('the sheets by the scanner', () => {
  it('are A4 drawings that reach for nothing, one of them creased', () => {
    for (const original of ORIGINALS) {
      const text = drawnOn(original);
      expect(text).toContain(`viewBox="0 0 ${GLASS_MM.width} ${GLASS_MM.height}"`);
      expect(text).not.toMatch(/href|<script|<image/);
    }
    expect(ORIGINALS.filter(({ creased }) => creased)).toHaveLength(1);
  });

  it('on the shelf come from the scanner, with steps that it takes', () => {
    expect(SHEETS).toHaveLength(2);
    for (const { original, steps } of SHEETS) {
      expect(ORIGINALS.some(({ id, creased }) => id === original && !creased)).toBe(true);
      expect(cleanStepsSchema.isValidSync(steps, { strict: true })).toBe(true);
    }
  });
});
