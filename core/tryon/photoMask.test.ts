import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { maskOf, type MaskedPhoto, type MaskStep } from './photoMask.ts';

/** Red with a blue disc in its middle. */
function disc(side: number, scale = 1): MaskedPhoto {
  const data = new Uint8ClampedArray(side * side * 4);
  for (let i = 0; i < side * side; i += 1) {
    const [x, y] = [(i % side) + 0.5, Math.floor(i / side) + 0.5];
    const isIn = Math.hypot(x - side / 2, y - side / 2) < side / 4;
    data.set(isIn ? [30, 40, 200, 255] : [200, 40, 30, 255], i * 4);
  }
  return { data, width: side, height: side, scale };
}
const share = (mask: Uint8Array): number => mask.reduce((sum, level) => sum + level, 0) / (255 * mask.length);

describe('a mask on a photograph', () => {
  it('shows all at first, and everything or nothing when told', () => {
    const photo = disc(20);
    expect(share(maskOf([], photo))).toBe(1);
    expect(share(maskOf([{ kind: 'all', shows: false }], photo))).toBe(0);
  });

  it('is brushed by the area of the stroke', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 80, noNaN: true }),
        fc.double({ min: 20, max: 80, noNaN: true }),
        fc.double({ min: 4, max: 30, noNaN: true }),
        (x, y, width) => {
          const stroke: MaskStep = {
            kind: 'stroke',
            shows: false,
            width,
            points: [
              { x: 50, y: 50 },
              { x, y },
            ],
          };
          const hidden = (1 - share(maskOf([stroke], disc(100)))) * 100 * 100;
          const length = Math.hypot(x - 50, y - 50);
          expect(hidden).toBeCloseTo(length * width + (Math.PI * width * width) / 4, -1.3);
          // The same stroke on a smaller picture hides the same share of it.
          const small = (1 - share(maskOf([stroke], disc(50, 0.5)))) * 100 * 100;
          expect(Math.abs(small - hidden)).toBeLessThan(0.03 * hidden + 12);
        },
      ),
    );
  });

  it('takes what is of one colour, as far as it hangs together', () => {
    const photo = disc(80);
    const steps: MaskStep[] = [
      { kind: 'all', shows: false },
      { kind: 'pick', shows: true, at: { x: 40, y: 40 }, tolerance: 0.1 },
    ];
    expect(share(maskOf(steps, photo))).toBeCloseTo(Math.PI / 16, 1.7);
    // A wall of another colour through the middle parts it.
    for (let y = 0; y < 80; y += 1) photo.data.set([255, 255, 255, 255], (y * 80 + 40) * 4);
    const half = steps.map((step) => (step.kind === 'pick' ? { ...step, at: { x: 30, y: 40 } } : step));
    expect(share(maskOf(half, photo))).toBeCloseTo(Math.PI / 32, 1.7);
    expect(
      share(
        maskOf(
          steps.map((step) => (step.kind === 'pick' ? { ...step, tolerance: 1 } : step)),
          photo,
        ),
      ),
    ).toBe(1);
  });

  it('never brings back at the edge of a stroke what was hidden before', () => {
    const stroke = (shows: boolean, x: number): MaskStep => ({
      kind: 'stroke',
      shows,
      width: 9.3,
      points: [{ x, y: 25.2 }],
    });
    const one = maskOf([stroke(false, 20)], disc(50));
    const two = maskOf([stroke(false, 20), stroke(false, 23.7)], disc(50));
    two.forEach((level, i) => expect(level).toBeLessThanOrEqual(one[i] as number));
    // What is shown again within is shown whole.
    expect(share(maskOf([stroke(false, 20), { ...stroke(true, 20), width: 14 } as MaskStep], disc(50)))).toBe(1);
  });

  it('may begin or end outside the picture', () => {
    const steps: MaskStep[] = [
      {
        kind: 'stroke',
        shows: false,
        width: 6,
        points: [
          { x: -40, y: 10 },
          { x: 300, y: 10 },
        ],
      },
      { kind: 'pick', shows: true, at: { x: -5, y: 900 }, tolerance: 0 },
    ];
    expect(share(maskOf(steps, disc(40)))).toBeLessThan(1);
  });
});
