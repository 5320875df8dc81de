import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gatherInstances, middleOf } from '../arrange/index.ts';
import { apply, cornersAround, inverse, newDesign, type Placement } from '../document/index.ts';
import { type Point, UPRIGHT } from '../geometry/index.ts';
import { latticeOf, nearestDifference, step } from '../lattice/index.ts';
import type { DrawnMotif, Motif } from '../motif/index.ts';
import type { Part } from '../recipe/index.ts';
import { anyDesign, anyRepeat, LEAF_MOTIF, LEAF_MOTIFS, LEAF_RECORD, leafAt } from '../testing/arbitraries.ts';
import { bundleArtwork } from './bundleArtwork.ts';
import { loosenBundle, LoosenError } from './loosen.ts';
import { closedParts, openBundle } from './openBundle.ts';
import { partsAbout } from './partsAbout.ts';
import { replacePlacements } from './replacePlacements.ts';
import { sideBySide } from './sideBySide.ts';

const LEAVES = new Map([['leaf', LEAF_RECORD]]);

/** The bundle's record as the studio keeps it: mm about its middle, at `size` times its natural size. */
function bundleOf(parts: readonly Part[], drawn: ReadonlyMap<string, DrawnMotif> = LEAF_MOTIFS, size = 1): DrawnMotif {
  const artwork = bundleArtwork(parts, drawn);
  const motif: Motif = {
    id: 'bundle',
    name: 'Bundle',
    collection: 'Test',
    width: artwork.view.width * size,
    artwork: 'x',
    view: artwork.view,
    inks: [],
    source: 'x',
    recipe: { kind: 'bundle', parts },
  };
  return { motif, artwork };
}

function corners(placement: Placement): Point[] {
  return cornersAround(placement, LEAF_RECORD).map(({ x, y }) => ({ x: x + placement.x, y: y + placement.y }));
}

let next = 0;
const newId = (): string => `n${(next += 1)}`;

describe('bundling', () => {
  it('and loosening moves nothing, whatever the step, on whichever side of the join it lies', () => {
    fc.assert(
      fc.property(anyDesign(anyRepeat, 6), (start) => {
        fc.pre(start.placements.length > 0);
        const design = apply(start, { type: 'repeat', repeat: start.repeat });
        const lattice = latticeOf(design.repeat);
        const together = gatherInstances(lattice, design.placements);
        const middle = middleOf(together, LEAVES);
        const parts = partsAbout(together, { ...UPRIGHT, ...middle });
        const bundle = bundleOf(parts).motif;
        const placed: Placement = { ...leafAt('b', { ...middle }), motif: 'bundle' };
        const bundled = apply(
          design,
          replacePlacements(
            design,
            design.placements.map(({ id }) => id),
            [placed],
          ),
        );
        expect(bundled.placements).toHaveLength(1);
        const [lying] = bundled.placements as [Placement];
        const loose = apply(bundled, replacePlacements(bundled, ['b'], loosenBundle(lying, bundle, parts, newId)));
        loose.placements.forEach((placement, n) => {
          const before = design.placements[n] as Placement;
          const [now, then] = [corners(placement), corners(before)];
          // The same instance or another of its instances: all corners are off by one and the same step of the lattice.
          const by = nearestDifference(lattice, now[0] as Point, then[0] as Point);
          expect(Math.hypot(by.x, by.y)).toBeLessThan(1e-9);
          const whole = {
            x: (now[0] as Point).x - (then[0] as Point).x,
            y: (now[0] as Point).y - (then[0] as Point).y,
          };
          for (let k = 1; k < 4; k += 1) {
            expect((now[k] as Point).x - (then[k] as Point).x).toBeCloseTo(whole.x, 9);
            expect((now[k] as Point).y - (then[k] as Point).y).toBeCloseTo(whole.y, 9);
          }
          expect(placement.opacity).toBe(before.opacity);
          expect(placement.flipped).toBe(before.flipped);
        });
      }),
      { numRuns: 200 },
    );
  });

  it('puts the bundle where the topmost lay, and is undone exactly', () => {
    fc.assert(
      fc.property(anyDesign(anyRepeat, 8), fc.infiniteStream(fc.boolean()), (start, stream) => {
        const design = apply(start, { type: 'repeat', repeat: start.repeat });
        const ids = design.placements.map(({ id }) => id).filter(() => stream.next().value);
        fc.pre(ids.length > 0);
        const command = replacePlacements(design, ids, [leafAt('b', {})]);
        const after = apply(design, command).placements.map(({ id }) => id);
        const topmost = ids.at(-1) as string;
        const expected = design.placements.flatMap(({ id }) => (id === topmost ? ['b'] : ids.includes(id) ? [] : [id]));
        expect(after).toEqual(expected);
        expect(apply(apply(design, command), inverse(design, command))).toEqual(design);
      }),
    );
  });

  it('brings what straddles the join together', () => {
    const lattice = latticeOf({ width: 100, height: 100, step: step('half-drop', 1, 2) });
    const [a, b, c] = gatherInstances(lattice, [
      leafAt('a', { x: 98, y: 10 }),
      leafAt('b', { x: 3, y: 60 }),
      leafAt('c', { x: 8, y: 60 }),
    ]) as [Placement, Placement, Placement];
    expect([a.x, a.y]).toEqual([98, 10]);
    // One column to the right, and as high, since the column is dropped by half.
    expect([b.x, b.y]).toEqual([103, 10]);
    expect([c.x, c.y]).toEqual([108, 10]);
  });
});

describe('a bundle', () => {
  const anyPart: fc.Arbitrary<Part> = fc.record({
    motif: fc.constant('leaf'),
    x: fc.double({ min: -80, max: 80, noNaN: true }),
    y: fc.double({ min: -80, max: 80, noNaN: true }),
    rotation: fc.double({ min: -180, max: 180, noNaN: true }),
    scale: fc.double({ min: 0.3, max: 3, noNaN: true }),
    aspect: fc.oneof(fc.constant(1), fc.double({ min: 0.5, max: 2, noNaN: true })),
    skew: fc.oneof(fc.constant(0), fc.double({ min: -50, max: 50, noNaN: true })),
    flipped: fc.boolean(),
    opacity: fc.constantFrom(1, 0.5),
  });
  const anyParts = fc.array(anyPart, { minLength: 1, maxLength: 5 });

  it('shows in its artwork what loosening lays down, turned, mirrored, resized and grown', () => {
    fc.assert(
      fc.property(
        anyParts,
        fc.double({ min: 0.2, max: 4, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.boolean(),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        (parts, scale, turn, mirrored, size) => {
          const { motif, artwork } = bundleOf(parts, LEAF_MOTIFS, size);
          const placed: Placement = {
            ...leafAt('b', { x: 40, y: -20, rotation: turn, scale, flipped: mirrored }),
            motif: 'bundle',
          };
          const loose = loosenBundle(placed, motif, parts, newId);
          artwork.nodes.forEach((node, n) => {
            if (node.kind !== 'group') throw new Error('a part is a group');
            // The middle of the leaf's view, through the artwork and the placement, is the loosened leaf's own place.
            const [a, b, c, d, e, f] = node.matrix;
            const { view } = LEAF_MOTIF.artwork;
            const [u, v] = [view.x + view.width / 2, view.y + view.height / 2];
            const inside = { x: a * u + c * v + e, y: b * u + d * v + f };
            const unit = (motif.width / motif.view.width) * scale;
            const angle = (turn * Math.PI) / 180;
            const [px, py] = [(mirrored ? -1 : 1) * inside.x * unit, inside.y * unit];
            expect(loose[n]?.x).toBeCloseTo(40 + Math.cos(angle) * px - Math.sin(angle) * py, 9);
            expect(loose[n]?.y).toBeCloseTo(-20 + Math.sin(angle) * px + Math.cos(angle) * py, 9);
            expect(loose[n]?.scale).toBeCloseTo((parts[n] as Part).scale * unit, 12);
          });
        },
      ),
    );
  });

  it('in a bundle loosens to where its own parts were seen', () => {
    fc.assert(
      fc.property(anyParts, anyPart, (parts, outerPart) => {
        const inner = bundleOf(parts);
        const outerParts = [{ ...outerPart, motif: 'bundle' }];
        const outer = bundleOf(outerParts, new Map([['bundle', inner]]));
        const placed: Placement = {
          ...leafAt('o', { x: 5, y: 6, rotation: 33, scale: 0.7, flipped: true }),
          motif: 'outer',
        };
        const [middle] = loosenBundle(placed, outer.motif, outerParts, newId) as [Placement];
        const twice = loosenBundle(middle, inner.motif, parts, newId);
        // One step: every part through both at once.
        parts.forEach((part, n) => {
          const [direct] = loosenBundle(
            placed,
            { ...outer.motif, view: { ...outer.motif.view, width: outer.motif.width } },
            outerParts,
            newId,
          ) as [Placement];
          const [at] = loosenBundle(direct, inner.motif, [part], newId) as [Placement];
          expect(twice[n]?.x).toBeCloseTo(at.x, 9);
          expect(twice[n]?.rotation).toBeCloseTo(at.rotation, 9);
        });
        expect(twice.every(({ opacity }, n) => opacity === (parts[n] as Part).opacity * outerPart.opacity)).toBe(true);
      }),
    );
  });

  it('keeps its middle when a part is moved outwards, so that the others stay', () => {
    const still: Part = { motif: 'leaf', ...UPRIGHT, opacity: 1 };
    const { view } = bundleOf([still, { ...still, x: 90 }]).motif;
    expect(view.x).toBe(-view.width / 2);
    expect(view.y).toBe(-view.height / 2);
  });

  it('opened and closed untouched is what it was', () => {
    fc.assert(
      fc.property(anyParts, anyDesign(anyRepeat, 3), (parts, start) => {
        const { motif } = bundleOf(parts);
        const placed: Placement = { ...leafAt('b', { x: 1, y: 2, rotation: 20, scale: 1.5 }), motif: 'bundle' };
        const design = apply(start, { type: 'insert', placements: [{ index: 0, placement: placed }] });
        const opened = openBundle(design, design.placements[0] as Placement, motif, parts, newId);
        expect(opened.design.placements).toHaveLength(design.placements.length - 1 + parts.length);
        closedParts(opened, opened.design).forEach((part, n) => {
          const before = parts[n] as Part;
          expect(part.x).toBeCloseTo(before.x, 8);
          expect(part.y).toBeCloseTo(before.y, 8);
          expect(part.scale).toBeCloseTo(before.scale, 9);
          expect(part.opacity).toBe(before.opacity);
        });
      }),
    );
  });

  it('takes a part that is moved, and one that is added, as they lie', () => {
    const part: Part = { motif: 'leaf', ...UPRIGHT, x: 10, opacity: 1 };
    const { motif } = bundleOf([part]);
    const start = {
      ...newDesign('d', 'Leaves', { width: 100, height: 100, step: step('half-drop', 1, 2) }),
      placements: [{ ...leafAt('b', { x: 95, y: 50 }), motif: 'bundle' }],
    };
    const opened = openBundle(start, start.placements[0] as Placement, motif, [part], () => 'part');
    // Across the right edge of a half-drop: stored on the left, half a cell higher.
    expect(opened.design.placements[0]).toMatchObject({ id: 'part', x: 5, y: 0 });
    const moved = apply(opened.design, { type: 'change', changes: { part: { x: 7, y: 1 } } });
    const added = apply(moved, {
      type: 'insert',
      placements: [{ index: 1, placement: leafAt('new', { x: 90, y: 40 }) }],
    });
    const parts = closedParts(opened, added);
    expect(parts.map(({ x, y }) => [x, y])).toEqual([
      [12, 1],
      [-5, -10],
    ]);
  });

  it('that would loosen into the invisible is refused', () => {
    const part: Part = { motif: 'leaf', ...UPRIGHT, scale: 0.02, opacity: 1 };
    expect(() => loosenBundle(leafAt('b', { scale: 0.1 }), bundleOf([part]).motif, [part], newId)).toThrow(LoosenError);
  });

  it('of the drawer lies in a row with even gaps about its middle', () => {
    const parts = sideBySide([
      { id: 'a', width: 10 },
      { id: 'b', width: 30 },
      { id: 'c', width: 20 },
    ]);
    expect(parts.map(({ x }) => x)).toEqual([-29, -5, 24]);
  });
});
