import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, type Command, type Design, inverse, newDesign, newLayer, type Placement } from '../document/index.ts';
import { latticeOf, SQUARE, step } from '../lattice/index.ts';
import { anyDesign, anyPoint, anyRepeat, LEAF_RECORD, leafAt } from '../testing/arbitraries.ts';
import { duplicate } from './duplicate.ts';
import { overlaps } from './overlaps.ts';
import { Picker } from './pick.ts';
import { moveIntoLayer, restack, restackByOne } from './restack.ts';
import { NO_VARIATION_PLAN, varyPlacements } from './varyPlacements.ts';

describe('the stack', () => {
  it('keeps every motif when some go to the front or the back, and is undone exactly', () => {
    fc.assert(
      fc.property(
        anyDesign(undefined, 8),
        fc.constantFrom('front' as const, 'back' as const),
        fc.infiniteStream(fc.boolean()),
        (start, to, stream) => {
          const design = apply(start, { type: 'repeat', repeat: start.repeat });
          const ids = design.placements.map(({ id }) => id).filter(() => stream.next().value);
          const command = restack(design, ids, to);
          const after = apply(design, command).placements.map(({ id }) => id);
          const rest = design.placements.map(({ id }) => id).filter((id) => !ids.includes(id));
          expect(after).toEqual(to === 'front' ? [...rest, ...ids] : [...ids, ...rest]);
          expect(apply(apply(design, command), inverse(design, command))).toEqual(design);
        },
      ),
    );
  });

  it('brings one just over the next that it lies over or under, across the join too', () => {
    const repeat = { width: 100, height: 100, step: step('half-drop', 1, 2) };
    const lattice = latticeOf(repeat);
    const motifs = new Map([['leaf', { motif: LEAF_RECORD, silhouette: undefined }]]);
    // The second lies across the right edge over the instance of the last, half a cell lower; the others lie apart.
    const design: Design = {
      ...newDesign('d', 'Leaves', repeat),
      placements: [
        leafAt('a', { x: 95, y: 20, scale: 0.3 }),
        leafAt('b', { x: 50, y: 50, scale: 0.3 }),
        leafAt('c', { x: 20, y: 90, scale: 0.3 }),
        leafAt('d', { x: 3, y: 70, scale: 0.3 }),
      ],
    };
    const lies = (p: Placement, q: Placement): boolean => overlaps(lattice, p, q, motifs);
    const order = (command: Command | undefined): string =>
      (command ? apply(design, command) : design).placements.map(({ id }) => id).join('');
    expect(order(restackByOne(design, ['a'], 'up', lies))).toBe('bcda');
    expect(order(restackByOne(design, ['d'], 'down', lies))).toBe('dabc');
    expect(restackByOne(design, ['b'], 'up', lies)).toBeUndefined();
    expect(restackByOne(design, ['a'], 'down', lies)).toBeUndefined();
    expect(restackByOne(design, ['a', 'd'], 'up', lies)).toBeUndefined();
  });

  it('overlaps by what is drawn and not by boxes', () => {
    const lattice = latticeOf({ width: 300, height: 300, step: SQUARE });
    // Solid in the upper left half only: two of them can lie into each other's empty half.
    const solid = new Uint8Array(64 * 64);
    for (let y = 0; y < 64; y += 1) for (let x = 0; x < 64 - y; x += 1) solid[y * 64 + x] = 1;
    const motifs = new Map([
      [
        'leaf',
        {
          motif: { width: 40, view: { x: 0, y: 0, width: 40, height: 40 } },
          silhouette: { width: 64, height: 64, solid },
        },
      ],
    ]);
    const [a, b] = [leafAt('a', { x: 100, y: 100 }), leafAt('b', { x: 104, y: 104, rotation: 180 })];
    expect(overlaps(lattice, a, b, motifs)).toBe(false);
    expect(overlaps(lattice, a, { ...b, x: 96, y: 96 }, motifs)).toBe(true);
    expect(overlaps(lattice, { ...a, x: 1, y: 1 }, { ...b, x: 297, y: 297 }, motifs)).toBe(true);
  });

  it('takes into another layer, on top of what lies there', () => {
    const layers = [newLayer('main', 'Motifs'), newLayer('over', 'Over')];
    const design: Design = {
      ...newDesign('d', 'Leaves', { width: 100, height: 100, step: SQUARE }),
      layers,
      placements: [leafAt('a', {}), leafAt('b', {}), leafAt('c', { layer: 'over' })],
    };
    const after = apply(design, moveIntoLayer(design, ['a'], 'over'));
    expect(after.placements.map(({ id, layer }) => `${id} ${layer}`)).toEqual(['b main', 'c over', 'a over']);
    expect(apply(after, moveIntoLayer(after, ['c', 'a'], 'main')).placements.map(({ id }) => id)).toEqual([
      'b',
      'c',
      'a',
    ]);
    expect(apply(after, restack(after, ['c'], 'front')).placements.map(({ id }) => id)).toEqual(['b', 'a', 'c']);
  });

  it('takes copies directly above what they are copies of', () => {
    fc.assert(
      fc.property(anyDesign(undefined, 6), fc.infiniteStream(fc.boolean()), (design, stream) => {
        const ids = design.placements.map(({ id }) => id).filter(() => stream.next().value);
        let n = 0;
        const { command } = duplicate(design, ids, { x: 3, y: -4 }, () => `copy-${(n += 1)}`);
        const after = apply(design, command).placements.map(({ id }) => id);
        let k = 0;
        expect(after).toEqual(
          design.placements.flatMap(({ id }) => (ids.includes(id) ? [id, `copy-${(k += 1)}`] : [id])),
        );
      }),
    );
  });
});

describe('picking', () => {
  it('finds through its tree what looking at every box finds', () => {
    const motifs = new Map([['leaf', { motif: LEAF_RECORD, silhouette: undefined }]]);
    fc.assert(
      fc.property(
        anyDesign(anyRepeat, 12),
        anyPoint,
        fc.double({ min: 0.01, max: 60, noNaN: true }),
        (start, at, reach) => {
          const { placements, repeat } = apply(start, { type: 'repeat', repeat: start.repeat });
          const lattice = latticeOf(repeat);
          const instances = new Picker(placements, motifs, lattice).at(at, reach);
          // One by one, which asks no tree that could leave any out.
          const each = [...placements]
            .reverse()
            .flatMap((placement) => new Picker([placement], motifs, lattice).at(at, reach));
          expect(instances).toEqual(each);
        },
      ),
    );
  });
});

describe('varying', () => {
  const motifs = new Map([
    ['leaf', LEAF_RECORD],
    ['long', { ...LEAF_RECORD, id: 'long', width: 10, inks: [...LEAF_RECORD.inks, '#123456' as const] }],
  ]);

  it('stays within its limits, keeps places, and does the same for the same seed', () => {
    fc.assert(
      fc.property(
        anyDesign(anyRepeat, 8),
        fc.double({ min: 0, max: 180, noNaN: true }),
        fc.double({ min: 0, max: 0.9, noNaN: true }),
        fc.integer({ min: 1, max: 999 }),
        (start, turn, size, seed) => {
          const design = apply(start, { type: 'repeat', repeat: start.repeat });
          const command = varyPlacements(design, design.placements, motifs, {
            ...NO_VARIATION_PLAN,
            rotation: turn,
            size,
            seed,
          });
          expect(
            varyPlacements(design, design.placements, motifs, { ...NO_VARIATION_PLAN, rotation: turn, size, seed }),
          ).toEqual(command);
          apply(design, command).placements.forEach((placement, n) => {
            const before = design.placements[n] as Placement;
            expect([placement.x, placement.y, placement.flipped, placement.motif]).toEqual([
              before.x,
              before.y,
              before.flipped,
              before.motif,
            ]);
            expect(Math.abs(placement.scale / before.scale - 1)).toBeLessThanOrEqual(size + 1e-9);
            expect(Math.cos(((placement.rotation - before.rotation) * Math.PI) / 180)).toBeGreaterThanOrEqual(
              Math.cos((turn * Math.PI) / 180) - 1e-9,
            );
          });
        },
      ),
    );
  });

  it('from a pool lays its motifs as large as those before, with their inks', () => {
    const design = {
      ...newDesign('d', 'Leaves', { width: 100, height: 100, step: SQUARE }),
      placements: Array.from({ length: 20 }, (_, n) => leafAt(`p${n}`, { scale: 2 })),
    };
    const after = apply(
      design,
      varyPlacements(design, design.placements, motifs, { ...NO_VARIATION_PLAN, pool: ['leaf', 'long'], seed: 3 }),
    );
    expect(new Set(after.placements.map(({ motif }) => motif))).toEqual(new Set(['leaf', 'long']));
    expect(after.placements.find(({ motif }) => motif === 'long')?.scale).toBeCloseTo(6, 9);
    expect(after.inks.some(({ prints }) => prints.includes('#123456'))).toBe(true);
  });

  it('mirrors the share asked for, all of them or none', () => {
    const design = {
      ...newDesign('d', 'Leaves', { width: 100, height: 100, step: SQUARE }),
      placements: [leafAt('a', { rotation: 20, skew: 5 }), leafAt('b', { flipped: true })],
    };
    const all = apply(design, varyPlacements(design, design.placements, motifs, { ...NO_VARIATION_PLAN, flip: 1 }));
    expect(all.placements).toMatchObject([{ flipped: true, rotation: -20, skew: -5 }, { flipped: false }]);
    expect(apply(design, varyPlacements(design, design.placements, motifs, NO_VARIATION_PLAN)).placements).toEqual(
      design.placements,
    );
  });
});
