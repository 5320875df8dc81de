import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, boxAroundCentre, type Placement } from '../document/index.ts';
import { latticeOf } from '../lattice/index.ts';
import { naturalHeight } from '../motif/index.ts';
import { anyDesign, anyRepeat, LEAF_RECORD, leafAt } from '../testing/arbitraries.ts';
import { align, type Axis, distribute, type Side } from './align.ts';
import { gatherInstances } from './gatherInstances.ts';
import { matchSize, swapPlaces } from './matchSize.ts';
import { invertSelection, selectByInk, selectSimilar } from './selectSimilar.ts';

const LEAVES = new Map([['leaf', LEAF_RECORD]]);
const anyAxis = fc.constantFrom<Axis>('x', 'y');
const laid = anyDesign(anyRepeat, 6)
  .map((start) => apply(start, { type: 'repeat', repeat: start.repeat }))
  .filter(({ placements }) => placements.length > 1);

/** The box of a placement along an axis. */
function span(placement: Placement, axis: Axis): readonly [number, number] {
  const box = boxAroundCentre(placement, LEAF_RECORD);
  return axis === 'x'
    ? [placement.x + box.left, placement.x + box.right]
    : [placement.y + box.top, placement.y + box.bottom];
}
const changed = (placement: Placement, changes: ReturnType<typeof align>): Placement => ({
  ...placement,
  ...changes[placement.id],
});

describe('lining up', () => {
  it('brings one side of all to the same line, to a billionth of a millimetre, across joins in every step', () => {
    fc.assert(
      fc.property(
        laid,
        anyAxis,
        fc.constantFrom<Side>('low', 'middle', 'high'),
        fc.constantFrom('chosen' as const, 'first' as const, 'cell' as const),
        (design, axis, side, to) => {
          const lattice = latticeOf(design.repeat);
          const changes = align(lattice, design.placements, LEAVES, axis, side, to);
          const at = ([low, high]: readonly [number, number]): number =>
            side === 'low' ? low : side === 'high' ? high : (low + high) / 2;
          const lines = design.placements.map((placement) => at(span(changed(placement, changes), axis)));
          for (const line of lines) expect(Math.abs(line - (lines[0] as number))).toBeLessThan(1e-9);
          if (to === 'cell') {
            const size = axis === 'x' ? design.repeat.width : design.repeat.height;
            expect(lines[0]).toBeCloseTo(side === 'low' ? 0 : side === 'high' ? size : size / 2, 9);
          }
          // Nothing moves across: the other coordinate is that of the instance that was lined up.
          for (const off of gatherInstances(lattice, design.placements)) {
            const after = changed(off, changes);
            expect(axis === 'x' ? after.y : after.x).toBe(axis === 'x' ? off.y : off.x);
          }
        },
      ),
    );
  });

  it('to the first leaves the first where it is', () => {
    const changes = align(
      latticeOf({ width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } }),
      [leafAt('a', { x: 30, y: 20 }), leafAt('b', { x: 60, y: 50 })],
      LEAVES,
      'y',
      'middle',
      'first',
    );
    expect(changes).toEqual({ a: { x: 30, y: 20 }, b: { x: 60, y: 20 } });
  });

  it('centres in the cell exactly', () => {
    const changes = align(
      latticeOf({ width: 641, height: 100, step: { kind: 'half-drop', drop: { p: 1, q: 3 } } }),
      [leafAt('a', { x: 3, y: 20, rotation: 90 })],
      LEAVES,
      'x',
      'middle',
      'cell',
    );
    expect(changes['a']?.x).toBeCloseTo(320.5, 9);
  });
});

describe('spacing out', () => {
  it('makes all gaps alike: between the outer two, typed, or round the cell and over the join', () => {
    fc.assert(
      fc.property(laid, anyAxis, fc.double({ min: -20, max: 60, noNaN: true }), (design, axis, mm) => {
        const lattice = latticeOf(design.repeat);
        const size = axis === 'x' ? design.repeat.width : design.repeat.height;
        for (const spacing of [{ by: 'gaps' }, { by: 'gap', mm }, { by: 'cell' }] as const) {
          const changes = distribute(lattice, design.placements, LEAVES, axis, spacing);
          const ordered = gatherInstances(lattice, design.placements)
            .sort((a, b) => span(a, axis)[0] + span(a, axis)[1] - span(b, axis)[0] - span(b, axis)[1])
            .map((placement) => span(changed(placement, changes), axis));
          const gaps = ordered.slice(1).map(([low], n) => low - (ordered[n] as readonly [number, number])[1]);
          if (spacing.by === 'cell')
            gaps.push(
              (ordered[0] as readonly [number, number])[0] + size - (ordered.at(-1) as readonly [number, number])[1],
            );
          for (const gap of gaps) expect(Math.abs(gap - (gaps[0] as number))).toBeLessThan(1e-9 * (1 + size));
          if (spacing.by === 'gap') expect(gaps[0]).toBeCloseTo(mm, 8);
        }
      }),
    );
  });

  it('spaces middles evenly and keeps the outer two', () => {
    fc.assert(
      fc.property(laid, anyAxis, (design, axis) => {
        const lattice = latticeOf(design.repeat);
        const changes = distribute(lattice, design.placements, LEAVES, axis, { by: 'middles' });
        const middle = (placement: Placement): number => (span(placement, axis)[0] + span(placement, axis)[1]) / 2;
        const before = gatherInstances(lattice, design.placements).sort((a, b) => middle(a) - middle(b));
        // Which of two at the same place comes first is for rounding to say.
        fc.pre(
          before.every((placement, n) => n === 0 || middle(placement) - middle(before[n - 1] as Placement) > 1e-3),
        );
        const after = before.map((placement) => middle(changed(placement, changes)));
        expect(after[0]).toBeCloseTo(middle(before[0] as Placement), 8);
        expect(after.at(-1)).toBeCloseTo(middle(before.at(-1) as Placement), 8);
        const step = ((after.at(-1) as number) - (after[0] as number)) / (after.length - 1);
        after.forEach((at, n) => expect(at).toBeCloseTo((after[0] as number) + n * step, 8));
      }),
    );
  });

  it('leaves one alone as it is', () => {
    const lattice = latticeOf({ width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } });
    expect(distribute(lattice, [leafAt('a', {})], LEAVES, 'x', { by: 'cell' })).toEqual({});
  });
});

describe('evening', () => {
  it('gives all the width, height or area of the first', () => {
    const wide = { ...LEAF_RECORD, id: 'wide', width: 90 };
    const motifs = new Map([
      ['leaf', LEAF_RECORD],
      ['wide', wide],
    ]);
    const [a, b] = [leafAt('a', { scale: 1.5 }), { ...leafAt('b', { scale: 0.4 }), motif: 'wide' }];
    for (const measure of ['width', 'height', 'area'] as const) {
      const changes = matchSize([a, b], motifs, measure);
      const size = (scale: number, motif: typeof wide): number =>
        ({
          width: motif.width * scale,
          height: naturalHeight(motif) * scale,
          area: motif.width * naturalHeight(motif) * scale * scale,
        })[measure];
      expect(size(changes['b']?.scale as number, wide)).toBeCloseTo(size(1.5, LEAF_RECORD), 9);
      expect(changes['a']?.scale).toBeCloseTo(1.5, 12);
    }
  });

  it('swaps the places of two and nothing else', () => {
    expect(swapPlaces([leafAt('a', { x: 1, y: 2, rotation: 9 }), leafAt('b', { x: 3, y: 4 })])).toEqual({
      a: { x: 3, y: 4 },
      b: { x: 1, y: 2 },
    });
  });
});

describe('choosing what is alike', () => {
  it('goes by motif, by ink, and by all that is not chosen', () => {
    fc.assert(
      fc.property(laid, fc.infiniteStream(fc.boolean()), (start, stream) => {
        const design = {
          ...start,
          inks: [
            { id: 'green', name: 'Green', prints: ['#3e7a5e' as const] },
            { id: 'other', name: 'Other', prints: ['#123456' as const] },
          ],
          placements: start.placements.map((placement, n) => ({ ...placement, motif: n % 2 === 0 ? 'leaf' : 'bare' })),
        };
        const motifs = new Map([
          ['leaf', LEAF_RECORD],
          ['bare', { ...LEAF_RECORD, inks: [] }],
        ]);
        const leaves = design.placements.filter(({ motif }) => motif === 'leaf').map(({ id }) => id);
        expect(selectSimilar(design, [leaves[0] as string])).toEqual(leaves);
        expect(selectByInk(design, motifs, 'green')).toEqual(leaves);
        expect(selectByInk(design, motifs, 'other')).toEqual([]);
        const some = design.placements.map(({ id }) => id).filter(() => stream.next().value);
        expect([...invertSelection(design.placements, some), ...some].sort()).toEqual(
          design.placements.map(({ id }) => id).sort(),
        );
      }),
    );
  });
});
