import type { P } from '../../demo/draw/block.ts';
import { newScene, table } from './parts.ts';
import { type Scene, straight } from './scene.ts';

export function cushion(): Scene {
  const scene = newScene('cushion', 'Cushion', 'home', '450 × 450 mm', 11);
  const [cx, cy, half] = [600, 440, 310];
  // Cloth over stuffing: it lies flat in the middle and turns away towards the seams, which are drawn in between the corners.
  const at = (s: number, t: number): P => {
    const [u, v] = [Math.sin(1.12 * s) / Math.sin(1.12), Math.sin(1.12 * t) / Math.sin(1.12)];
    return [cx + half * u * (0.935 + 0.065 * t * t), cy + half * v * (0.935 + 0.065 * s * s)];
  };
  const line = (from: P, to: P): P[] =>
    Array.from({ length: 13 }, (_, n) =>
      at(from[0] + ((to[0] - from[0]) * n) / 12, from[1] + ((to[1] - from[1]) * n) / 12),
    );
  const rim = [
    ...line([-1, -1], [1, -1]),
    ...line([1, -1], [1, 1]),
    ...line([1, 1], [-1, 1]),
    ...line([-1, 1], [-1, -1]),
  ];
  const outline = straight(rim);
  table(scene, 640);
  scene.oval('under', 'black', [cx + 10, 742], 330, 34, 0.16);
  const steps = [-1, -2 / 3, -1 / 3, 0, 1 / 3, 2 / 3, 1];
  scene.piece(
    {
      id: 'front',
      name: 'Front',
      face: {
        kind: 'mesh',
        columns: 7,
        rows: 7,
        points: steps.flatMap((t) => steps.map((s) => ({ x: round(at(s, t)[0]), y: round(at(s, t)[1]) }))),
        width: 450,
        height: 450,
      },
      datum: { x: 225, y: 225 },
    },
    outline,
  );
  scene.glow(outline, [cx - 70, cy - 90], 460, [
    [0, 0.1],
    [0.35, 0],
    [0.351, -0.001],
    [0.75, -0.16],
    [1, -0.42],
  ]);
  for (const [sx, sy] of [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ] as const) {
    const corner = at(sx, sy);
    for (const turn of [-0.16, 0.05, 0.24]) {
      const [a, b] = [corner[0] - sx * (46 - 90 * turn), corner[1] - sy * (46 + 90 * turn)];
      scene.fold('light', 'black', [corner, [(corner[0] + a) / 2 + sy * 3, (corner[1] + b) / 2], [a, b]], 7, 0.2);
    }
  }
  scene.strip('over', 'indigo', [...rim, rim[0] as P], 6, 1, false);
  return scene;
}

const round = (n: number): number => Math.round(n * 100) / 100;
