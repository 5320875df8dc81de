import fc from 'fast-check';
import { expect, it } from 'vitest';
import { apply, type Command, type Design, inverse, newLayer, sortByLayer } from '../document/index.ts';
import { latticeOf, toFundamentalDomain } from '../lattice/index.ts';
import { anyDesign } from '../testing/arbitraries.ts';
import { addLayer, changeLayer, mergeLayerDown, moveLayer, removeLayer } from './layers.ts';
import { moveBeside } from './restack.ts';

const LAYERS = ['low', 'middle', 'high'].map((id) => newLayer(id, id));
/** A design in three layers. */
const anyLayered = fc
  .tuple(anyDesign(undefined, 9), fc.array(fc.nat(2), { minLength: 9, maxLength: 9 }))
  .map(([design, places]): Design => ({
    ...design,
    layers: LAYERS,
    placements: sortByLayer(
      LAYERS,
      design.placements.map((placement, n) => ({
        ...placement,
        ...toFundamentalDomain(latticeOf(design.repeat), placement),
        layer: LAYERS[places[n] ?? 0]?.id ?? '',
      })),
    ),
  }));
const anyLayer = fc.constantFrom('low', 'middle', 'high');
const idsOf = ({ placements }: Design): string[] => placements.map(({ id }) => id);

/** Done, and undone to the bit. */
function done(design: Design, command: Command): Design {
  const after = apply(design, command);
  expect(apply(after, inverse(design, command))).toEqual(design);
  expect(after.placements).toEqual(sortByLayer(after.layers, after.placements));
  return after;
}

it('comes directly above the one that is worked in, or on top', () => {
  fc.assert(
    fc.property(anyLayered, anyLayer, (design, above) => {
      const fresh = newLayer('fresh', 'Fresh');
      const names = (command: Command) => done(design, command).layers.map(({ id }) => id);
      const all = names(addLayer(design, fresh, above));
      expect(all.indexOf('fresh')).toBe(all.indexOf(above) + 1);
      expect(names(addLayer(design, fresh, undefined)).at(-1)).toBe('fresh');
    }),
  );
});

it('goes with all that lies in it, but for the last one, which stays', () => {
  fc.assert(
    fc.property(anyLayered, anyLayer, (design, id) => {
      const command = removeLayer(design, id);
      const after = done(design, command as Command);
      expect(idsOf(after)).toEqual(
        design.placements.filter(({ layer }) => layer !== id).map((placement) => placement.id),
      );
      expect(removeLayer({ ...design, layers: [newLayer('only', 'Only')], placements: [] }, 'only')).toBeUndefined();
    }),
  );
});

it('is merged into the one below without anything moving in the stack', () => {
  fc.assert(
    fc.property(anyLayered, anyLayer, (design, id) => {
      const merged = mergeLayerDown(design, id);
      if (id === 'low') {
        expect(merged).toBeUndefined();
        return;
      }
      const after = done(design, merged?.command as Command);
      expect(idsOf(after)).toEqual(idsOf(design));
      expect(after.layers.map((layer) => layer.id)).not.toContain(id);
      for (const placement of design.placements)
        if (placement.layer === id)
          expect(after.placements.find((other) => other.id === placement.id)?.layer).toBe(merged?.below.id);
    }),
  );
});

it('is moved with all that lies in it, and changed in nothing but what is said', () => {
  fc.assert(
    fc.property(anyLayered, anyLayer, fc.nat(2), (design, id, to) => {
      const command = moveLayer(design, id, to);
      const from = LAYERS.findIndex((layer) => layer.id === id);
      expect(command === undefined).toBe(from === to);
      if (command) expect(done(design, command).layers.findIndex((layer) => layer.id === id)).toBe(to);
      const hidden = done(design, changeLayer(design, id, { shown: false }));
      expect(hidden.layers).toEqual(LAYERS.map((layer) => (layer.id === id ? { ...layer, shown: false } : layer)));
    }),
  );
});

it('takes in what is laid directly over or under one of it', () => {
  fc.assert(
    fc.property(
      anyLayered,
      fc.nat(8),
      fc.nat(8),
      fc.constantFrom('over' as const, 'under' as const),
      (design, a, b, where) => {
        const [one, other] = [
          design.placements[a % Math.max(1, design.placements.length)],
          design.placements[b % Math.max(1, design.placements.length)],
        ];
        fc.pre(one !== undefined && other !== undefined);
        if (!one || !other) return;
        const command = moveBeside(design, [one.id], other.id, where);
        if (one === other) {
          expect(command).toBeUndefined();
          return;
        }
        const after = done(design, command as Command);
        const ids = idsOf(after);
        expect(ids.indexOf(one.id) - ids.indexOf(other.id)).toBe(where === 'over' ? 1 : -1);
        expect(after.placements.find(({ id }) => id === one.id)?.layer).toBe(other.layer);
      },
    ),
  );
});
