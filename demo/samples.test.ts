import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { boxAroundCentre, openDesign } from '../core/document/index.ts';
import { layRows } from '../core/layout/index.ts';
import type { Motif } from '../core/motif/index.ts';
import { LOW_TIDE, PAINTED } from './collection.ts';
import { drawnArtwork } from '../core/drawn/index.ts';
import { vineArtwork } from '../core/vine/index.ts';
import { recipeSchema } from '../core/recipe/index.ts';
import { latticeOf, latticeTranslate } from '../core/lattice/index.ts';
import { DRAWN } from './drawn.ts';
import { kelpForest } from './designs/kelpForest.ts';
import { INKS } from './draw/block.ts';
import { whelk } from './draw/motifs/whelk.ts';
import { reefKnot } from './draw/motifs/reefKnot.ts';
import { sampleMotifId } from './sampleDesign.ts';
import { SAMPLE_DESIGNS, SAMPLE_SWATCHES } from './samples.ts';

const fileOf = (id: string): string => readFileSync(new URL(`./motifs/${id}.svg`, import.meta.url), 'utf8');

describe('the sample collection', () => {
  it('has its motifs in six inks at most, and nothing in them but shapes', () => {
    expect(LOW_TIDE.length).toBeGreaterThanOrEqual(14);
    const inks = new Set<string>(Object.values(INKS));
    for (const { id, name } of LOW_TIDE) {
      const svg = fileOf(id);
      expect(svg).toContain(`<title>${name}</title>`);
      for (const [, fill] of svg.matchAll(/fill="([^"]+)"/g))
        expect(inks.has(fill as string), `${id} is printed in ${fill}`).toBe(true);
      expect(svg.replace(/<\/?(svg|title|path)\b/g, '')).not.toMatch(/<\/?[a-z]/);
    }
  });

  it('is cut the same each time: the files are what the blocks give', () => {
    for (const [id, cut] of [
      ['whelk', whelk],
      ['reef-knot', reefKnot],
    ] as const) {
      const sample = LOW_TIDE.find((sampleMotif) => sampleMotif.id === id);
      expect(cut().svg(sample?.name ?? '', sample?.widthMm ?? 0)).toBe(fileOf(id));
    }
  });

  it('has designs in every step that open, use only its motifs, and cross every edge of their cell', () => {
    const sizes = new Map<string, Pick<Motif, 'width' | 'view'>>(
      LOW_TIDE.map(({ id, widthMm }) => {
        const [, x, y, width, height] = /viewBox="(\S+) (\S+) (\S+) (\S+)"/.exec(fileOf(id)) ?? [];
        return [
          sampleMotifId(id),
          { width: widthMm, view: { x: Number(x), y: Number(y), width: Number(width), height: Number(height) } },
        ];
      }),
    );
    for (const { id, widthMm } of PAINTED)
      sizes.set(sampleMotifId(id), { width: widthMm, view: { x: 0, y: 0, width: 1, height: 1 } });
    for (const { id, recipe } of DRAWN) {
      const { view } =
        recipe.kind === 'drawn' ? drawnArtwork(recipe) : vineArtwork({ ...recipe, leaves: [] }, new Map());
      sizes.set(sampleMotifId(id), { width: view.width, view });
    }
    expect(new Set(SAMPLE_DESIGNS.map(({ repeat }) => repeat.step.kind))).toEqual(
      new Set(['square', 'half-drop', 'brick']),
    );
    for (const design of SAMPLE_DESIGNS) {
      expect(openDesign(JSON.parse(JSON.stringify(design)))).toEqual(design);
      if (design.layout?.recipe.kind === 'row') {
        // What lies there is exactly what its recipe lays.
        const laid = layRows(design.layout.recipe, sizes);
        expect(design.repeat).toMatchObject({
          width: expect.closeTo(laid?.width ?? 0, 9) as number,
          height: expect.closeTo(laid?.height ?? 0, 9) as number,
        });
        for (const [n, one] of (laid?.placed ?? []).entries())
          expect(design.placements[n]).toMatchObject({
            motif: one.motif,
            x: expect.closeTo(one.x, 9) as number,
            y: expect.closeTo(one.y, 9) as number,
            scale: expect.closeTo(one.scale, 9) as number,
          });
        continue;
      }
      // At a mirror, what crossed it would run into its own reflection.
      if (design.repeat.step.mirrored) continue;
      const crossed = { left: false, right: false, top: false, bottom: false };
      for (const placement of design.placements) {
        const motif = sizes.get(placement.motif);
        if (!motif) throw new Error(`${design.name} uses ${placement.motif}`);
        const box = boxAroundCentre(placement, motif);
        crossed.left ||= placement.x + box.left < 0;
        crossed.right ||= placement.x + box.right > design.repeat.width;
        crossed.top ||= placement.y + box.top < 0;
        crossed.bottom ||= placement.y + box.bottom > design.repeat.height;
      }
      expect(crossed.left || crossed.right, `${design.name} from side to side`).toBe(true);
      if (design.name !== 'Herring run')
        expect(crossed.top || crossed.bottom, `${design.name} from top to bottom`).toBe(true);
    }
  });

  it('has six swatches of its designs under names of their own', () => {
    expect(SAMPLE_SWATCHES).toHaveLength(6);
    expect(new Set(SAMPLE_SWATCHES.map(({ name }) => name)).size).toBe(6);
    for (const { design } of SAMPLE_SWATCHES) {
      expect(SAMPLE_DESIGNS.some(({ id }) => id === design.id)).toBe(true);
      openDesign(design);
    }
  });

  it('has drawings and vines that can be drawn on, and vines that meet themselves in their design', () => {
    const lattice = latticeOf(kelpForest.repeat);
    for (const { recipe } of DRAWN) {
      recipeSchema.validateSync(JSON.parse(JSON.stringify(recipe)), { strict: true });
      if (recipe.kind === 'vine') expect(latticeTranslate(lattice, recipe.index)).toEqual(recipe.period);
    }
  });
});
