import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Face, faceMap, faceSchema } from './index.ts';

const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const standing = {
  x: real(-200, 900),
  y: real(-200, 900),
  scale: real(0.2, 6),
  pitch: real(0, 60),
  rotation: real(-180, 180),
  height: real(40, 500),
};

/** A face, and a point of its cloth that is seen on it, well within its edges. */
interface Case {
  readonly face: Face;
  readonly u: number;
  readonly v: number;
}

const flat = fc
  .record({
    x: real(-500, 500),
    y: real(-500, 500),
    unit: real(0.05, 5),
    rotation: real(-180, 180),
    u: real(-800, 800),
    v: real(-800, 800),
  })
  .map(({ u, v, ...face }): Case => ({ face: { kind: 'flat', ...face }, u, v }));
const cylinder = fc
  .record({ ...standing, diameter: real(30, 600), angle: real(-1.4, 1.4), depth: real(0, 1) })
  .map(({ angle, depth, ...face }): Case => ({
    face: { kind: 'cylinder', ...face },
    u: (face.diameter / 2) * angle,
    v: depth * face.height,
  }));
const cone = fc
  .record({
    ...standing,
    pitch: real(0, 20),
    top: real(60, 400),
    bottom: real(60, 400),
    angle: real(-1.3, 1.3),
    depth: real(0, 1),
  })
  .filter(({ top, bottom, height }) => Math.abs(top - bottom) > 4 && Math.abs(bottom - top) < height)
  .map(({ angle, depth, ...face }): Case => {
    const growth = (face.bottom - face.top) / 2 / face.height;
    const sine = Math.abs(growth) / Math.hypot(1, growth);
    const slant = (face.top / 2 + growth * depth * face.height) / sine;
    const rim = face.top / 2 / sine;
    return {
      face: { kind: 'cone', ...face },
      u: slant * Math.sin(angle * sine),
      v: Math.sign(growth) * (slant * Math.cos(angle * sine) - rim),
    };
  });
/** A grid whose points are moved by less than a fifth of their spacing. */
const mesh = fc
  .record({
    columns: fc.integer({ min: 2, max: 7 }),
    rows: fc.integer({ min: 2, max: 7 }),
    wobble: fc.array(fc.tuple(real(-9, 9), real(-9, 9)), { minLength: 49, maxLength: 49 }),
    s: real(0, 1),
    t: real(0, 1),
  })
  .map(({ columns, rows, wobble, s, t }): Case => {
    const points = Array.from({ length: columns * rows }, (_, n) => {
      const [dx, dy] = wobble[n] ?? [0, 0];
      return { x: 50 * (n % columns) + dx, y: 50 * Math.floor(n / columns) + dy };
    });
    const face = { kind: 'mesh', columns, rows, points, width: 300, height: 200 } as const;
    return { face, u: 300 * s, v: 200 * t };
  });

describe('a face', () => {
  for (const [name, any, near] of [
    ['flat', flat, 1e-6],
    ['around a cylinder', cylinder, 1e-4],
    ['around a cone', cone, 1e-3],
    ['over a mesh', mesh, 1e-3],
  ] as const)
    it(`${name} shows each point of its cloth in one place, and finds it there again`, () => {
      fc.assert(
        fc.property(any, ({ face, u, v }) => {
          const { toCloth, toScene } = faceMap(face);
          const { x, y } = toScene(u, v);
          const out = new Float64Array(2);
          expect(toCloth(x, y, out)).toBe(true);
          expect(Math.abs((out[0] as number) - u)).toBeLessThan(near * (1 + Math.abs(u)));
          expect(Math.abs((out[1] as number) - v)).toBeLessThan(near * (1 + Math.abs(v)));
        }),
      );
    });

  it('around a cylinder keeps lengths along the arc: a quarter of the way round is a quarter of its girth', () => {
    const face = { kind: 'cylinder', x: 0, y: 0, scale: 2, pitch: 12, rotation: 0, height: 90, diameter: 80 } as const;
    const { toScene } = faceMap(face);
    // Seen from the front, the edge of what is seen is a quarter of the way round.
    expect(toScene((Math.PI * 80) / 4, 0).x).toBeCloseTo(80, 9);
    // The chord between near points of the rim, in the round, against the length of cloth between them.
    const steps = 400;
    let length = 0;
    for (let n = 0; n < steps; n += 1) {
      const [a, b] = [n, n + 1].map((k) => toScene(-60 + (120 * k) / steps, 30).x / 2 / 40).map(Math.asin) as [
        number,
        number,
      ];
      length += 40 * (b - a);
    }
    expect(Math.abs(length / 120 - 1)).toBeLessThan(0.002);
  });

  it('around a cone neither stretches nor shears its cloth', () => {
    const [top, bottom, height] = [250, 400, 260];
    const growth = (bottom - top) / 2 / height;
    const sine = growth / Math.hypot(1, growth);
    // From the cloth as it lies flat to the surface in the round.
    const inTheRound = (u: number, v: number): [number, number, number] => {
      const rim = top / 2 / sine;
      const slant = Math.hypot(u, rim + v);
      const angle = Math.atan2(u, rim + v) / sine;
      const radius = slant * sine;
      return [radius * Math.sin(angle), radius * Math.cos(angle), (radius - top / 2) / growth];
    };
    const face = { kind: 'cone', x: 0, y: 0, scale: 1, pitch: 0, rotation: 0, height, top, bottom } as const;
    const { toScene } = faceMap(face);
    for (const [u, v] of [
      [0, 10],
      [90, 40],
      [-120, 200],
    ] as const) {
      const [x, , z] = inTheRound(u, v);
      expect(toScene(u, v).x).toBeCloseTo(x, 9);
      expect(toScene(u, v).y).toBeCloseTo(z, 9);
      const h = 1e-4;
      const apart = (du: number, dv: number): number => {
        const [a, b] = [inTheRound(u, v), inTheRound(u + du, v + dv)];
        return Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]) / h;
      };
      expect(apart(h, 0)).toBeCloseTo(1, 5);
      expect(apart(0, h)).toBeCloseTo(1, 5);
      expect(apart(h, h)).toBeCloseTo(Math.SQRT2, 5);
    }
  });

  it('at an angle is not seen beyond its horizon', () => {
    const face = {
      kind: 'plane',
      corners: [
        { x: 40, y: 50 },
        { x: 60, y: 50 },
        { x: 100, y: 100 },
        { x: 0, y: 100 },
      ],
      width: 100,
      height: 400,
    } as const;
    const { toCloth } = faceMap(face as unknown as Face);
    expect(toCloth(50, 70, new Float64Array(2))).toBe(true);
    // The sides meet at a height of 37.5.
    expect(toCloth(50, 30, new Float64Array(2))).toBe(false);
  });

  it('is refused where its mesh has points too few or too many', () => {
    const face = {
      kind: 'mesh',
      columns: 3,
      rows: 2,
      points: Array.from({ length: 5 }, () => ({ x: 0, y: 0 })),
      width: 10,
      height: 10,
    } as const;
    expect(() => faceMap(face)).toThrow('A mesh of 3 × 2 has 6 points, and 5 were given.');
    expect(faceSchema.isValidSync({ kind: 'sphere' })).toBe(false);
  });
});
