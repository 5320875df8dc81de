import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, shownBy } from '../document/index.ts';
import { type Box, type Point, shiftBox } from '../geometry/index.ts';
import {
  applyOpToPoint,
  type Lattice,
  latticeDistance,
  latticeOf,
  latticeTranslate,
  SQUARE,
  step,
  symmetryElements,
  withStep,
} from '../lattice/index.ts';
import { anyDesign, anyRepeat, LEAF_RECORD, leafAt, MIRRORED_STEPS, ROTATED_STEPS } from '../testing/arbitraries.ts';
import { snap, type SnapLine, snapTargets } from './snap.ts';

const LEAVES = new Map([['leaf', LEAF_RECORD]]);
const boxAt = (x: number, y: number, width: number, height: number): Box => ({
  left: x - width / 2,
  top: y - height / 2,
  right: x + width / 2,
  bottom: y + height / 2,
});
/** How many operations leave a point where it is. */
const fixing = (lattice: Lattice, p: Point): number =>
  lattice.ops.map((op) => applyOpToPoint(op, p)).filter(({ x, y }) => latticeDistance(lattice, x - p.x, y - p.y) < 1e-6)
    .length;
const isOfSymmetry = ({ kind }: SnapLine): boolean => kind === 'centre' || kind === 'mirror';
const bare = (repeat: Parameters<typeof latticeOf>[0]) => ({ lattice: latticeOf(repeat), boxes: [], guides: [] });

describe('snapping', () => {
  it('centres in the cell exactly, whichever instance of it is meant', () => {
    fc.assert(
      fc.property(
        anyRepeat,
        fc.integer({ min: -3, max: 3 }),
        fc.integer({ min: -3, max: 3 }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (repeat, i, j, dx, dy) => {
          const lattice = latticeOf(repeat);
          const by = latticeTranslate(lattice, { i, j });
          const [cx, cy] = [by.x + repeat.width / 2, by.y + repeat.height / 2];
          // Small enough that only its middle is near a line of the cell.
          const box = boxAt(
            cx + (dx * repeat.width) / 40,
            cy + (dy * repeat.height) / 40,
            repeat.width / 7.7,
            repeat.height / 7.7,
          );
          const { by: off, lines } = snap(box, bare(repeat), Math.min(repeat.width, repeat.height) / 30);
          if ((Math.abs(dx) * repeat.width) / 40 > Math.min(repeat.width, repeat.height) / 30) return;
          // A mirror or a centre through the middle comes first.
          if (lines.some(isOfSymmetry)) return;
          expect((box.left + box.right) / 2 + off.x).toBeCloseTo(cx, 9);
          expect(lines.find(({ axis }) => axis === 'x')).toMatchObject({ kind: 'cell', share: '1/2' });
        },
      ),
    );
  });

  it('lays the middle on a centre of rotation, or else on a mirror, where what lies there is shown once', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...MIRRORED_STEPS, ...ROTATED_STEPS),
        fc.nat(),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
        (next, n, share, direction) => {
          const repeat = withStep({ width: 120, height: 90, step: SQUARE }, next);
          const lattice = latticeOf(repeat);
          const { width, height } = lattice.domain;
          const { centres, axes } = symmetryElements(lattice, { left: 0, top: 0, right: width, bottom: height });
          const mirrors = axes.filter(({ glides }) => !glides);
          const count = (x: number, y: number): number =>
            shownBy(lattice, [leafAt('one', { x, y })]).length * fixing(lattice, { x, y });
          const centre = centres[n % Math.max(1, centres.length)];
          if (centre) {
            const box = boxAt(centre.x + Math.cos(direction), centre.y + Math.sin(direction), 8, 6);
            const { by } = snap(box, bare(repeat), 1.5);
            const at = { x: (box.left + box.right) / 2 + by.x, y: (box.top + box.bottom) / 2 + by.y };
            expect(Math.hypot(at.x - centre.x, at.y - centre.y)).toBeLessThan(1e-9 * width);
            expect(fixing(lattice, at)).toBeGreaterThanOrEqual(centre.order);
            expect(count(at.x, at.y)).toBe(lattice.ops.length);
          }
          const mirror = mirrors[n % Math.max(1, mirrors.length)];
          if (mirror) {
            const [x, y] = [mirror.to.x - mirror.from.x, mirror.to.y - mirror.from.y];
            const length = Math.hypot(x, y);
            const on = { x: mirror.from.x + share * x, y: mirror.from.y + share * y };
            const box = boxAt(on.x - y / length, on.y + x / length, 8, 6);
            const { by, lines } = snap(box, bare(repeat), 1.5);
            expect(lines.every(isOfSymmetry) && lines.length > 0).toBe(true);
            const at = { x: (box.left + box.right) / 2 + by.x, y: (box.top + box.bottom) / 2 + by.y };
            expect(fixing(lattice, at)).toBeGreaterThanOrEqual(2);
            expect(count(at.x, at.y)).toBe(lattice.ops.length);
          }
        },
      ),
    );
  });

  it('never moves farther than its reach, and onto the line that it shows', () => {
    fc.assert(
      fc.property(
        anyDesign(anyRepeat, 5),
        fc.double({ min: -300, max: 600, noNaN: true }),
        fc.double({ min: -300, max: 600, noNaN: true }),
        fc.double({ min: 0.1, max: 15, noNaN: true }),
        (start, x, y, reach) => {
          const design = apply(start, { type: 'repeat', repeat: start.repeat });
          const targets = snapTargets(latticeOf(design.repeat), design, LEAVES, new Set(['p0']));
          const box = boxAt(x, y, 23, 17);
          const { by, lines } = snap(box, targets, reach);
          expect(Math.abs(by.x)).toBeLessThanOrEqual(reach);
          expect(Math.abs(by.y)).toBeLessThanOrEqual(reach);
          const moved = shiftBox(box, by);
          for (const { axis, at, kind, aslant } of lines) {
            if (aslant) continue;
            const [low, high] = axis === 'x' ? [moved.left, moved.right] : [moved.top, moved.bottom];
            const off = Math.min(...[low, high, (low + high) / 2].map((point) => Math.abs(point - at)));
            expect(off, kind).toBeLessThan(1e-9 * (1 + Math.abs(at)));
          }
        },
      ),
    );
  });

  it('stays where it was caught, where every cell has the same lines', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 500, noNaN: true }),
        fc.double({ min: 20, max: 500, noNaN: true }),
        fc.double({ min: -900, max: 900, noNaN: true }),
        fc.double({ min: -900, max: 900, noNaN: true }),
        (width, height, x, y) => {
          const targets = bare({ width, height, step: SQUARE });
          const box = boxAt(x, y, 7.3, 5.1);
          const { by } = snap(box, targets, 2);
          const again = snap(shiftBox(box, by), targets, 2);
          expect(Math.hypot(again.by.x, again.by.y)).toBeLessThan(1e-9);
        },
      ),
    );
  });

  it('lines up with an instance over the join of a half-drop', () => {
    const repeat = { width: 400, height: 300, step: step('half-drop', 1, 2) };
    const targets = snapTargets(
      latticeOf(repeat),
      { placements: [leafAt('still', { x: 10, y: 40 }), leafAt('moving', {})], guides: [] },
      LEAVES,
      new Set(['moving']),
    );
    // One column to the right, the still one lies at 410, 190.
    const { by, lines } = snap(boxAt(411.5, 250, 30, 20), targets, 2);
    expect(by.x).toBeCloseTo(-1.5, 9);
    expect(lines.find(({ axis }) => axis === 'x')).toMatchObject({ kind: 'motif', at: 410 });
  });

  it('finds the place with equal gaps between two neighbours', () => {
    const targets = {
      lattice: latticeOf({ width: 1000, height: 1000, step: SQUARE }),
      boxes: [boxAt(100, 137, 20, 40), boxAt(253, 163, 30, 40)],
      guides: [],
    };
    const { by, lines } = snap(boxAt(175, 151.3, 26, 11), targets, 3);
    // Between 110 and 238, 26 wide: 51 to either side.
    expect(175 - 13 + by.x).toBeCloseTo(110 + 51, 9);
    expect(lines.find(({ axis }) => axis === 'x')).toMatchObject({ kind: 'gap', distance: 51 });
  });

  it('catches nothing where nothing is near', () => {
    expect(snap(boxAt(137, 171, 3, 3), bare({ width: 1000, height: 1000, step: SQUARE }), 1)).toEqual({
      by: { x: 0, y: 0 },
      lines: [],
    });
  });

  it('lays edges and middles along guides, which are there in every cell', () => {
    fc.assert(
      fc.property(
        anyRepeat,
        fc.constantFrom('x' as const, 'y' as const),
        fc.double({ min: 0.4, max: 0.46, noNaN: true }),
        fc.integer({ min: -3, max: 3 }),
        fc.integer({ min: -3, max: 3 }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (repeat, axis, share, i, j, off) => {
          const lattice = latticeOf(repeat);
          const origin = latticeTranslate(lattice, { i, j });
          const size = axis === 'x' ? repeat.width : repeat.height;
          const guides = [{ id: 'g', axis, at: share * size }];
          const reach = size / 60;
          const at = (axis === 'x' ? origin.x : origin.y) + share * size;
          const across = axis === 'x' ? origin.y + repeat.height * 0.43 : origin.x + repeat.width * 0.43;
          // Its middle beside the guide; its edges too near to it to be near anything else.
          const middle = at + off * reach * 0.9;
          const box = axis === 'x' ? boxAt(middle, across, size / 1e4, 1) : boxAt(across, middle, 1, size / 1e4);
          const { by, lines } = snap(box, { lattice, boxes: [], guides }, reach);
          if (lines.some(isOfSymmetry)) return;
          const line = lines.find((snapLine) => snapLine.axis === axis);
          expect(line?.kind).toBe('guide');
          const distances = [-0.5e-4, 0, 0.5e-4].map((d) => Math.abs(middle + d * size + by[axis] - at));
          expect(Math.min(...distances)).toBeLessThan(1e-9 * (1 + Math.abs(at)));
        },
      ),
    );
  });
});
