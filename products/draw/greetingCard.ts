import type { P } from '../../demo/draw/block.ts';
import { camera, type P3 } from './camera.ts';
import { newScene, table } from './parts.ts';
import { planeAt, seenFace } from './planes.ts';
import { type Scene } from './scene.ts';

export function greetingCard(): Scene {
  const scene = newScene('greeting-card', 'Greeting card', 'paper', '105 × 148 mm', 22);
  const see = camera([40, 120, 420], [10, 66, 0], 1560, [600, 440]);
  const [w, h] = [105, 148];
  // It stands open: the front leaves the fold to the left, the back to the right.
  const [front, back] = [-1, 1].map((sign): [number, number] => [sign * w * Math.cos(0.62), w * Math.sin(0.62)]) as [
    [number, number],
    [number, number],
  ];
  table(scene, 420);
  scene.cut(
    'under',
    'black',
    [
      see([front[0], 0, front[1]]),
      see([0, 0, 0]),
      see([back[0], 0, back[1]]),
      see([back[0] + 34, 0, back[1] + 8]),
      see([30, 0, 26]),
    ],
    0.16,
  );
  const inside: P3[] = [
    [0, h, 0],
    [back[0], h, back[1]],
    [back[0], 0, back[1]],
    [0, 0, 0],
  ];
  const outside: [P3, P3, P3, P3] = [
    [front[0], h, front[1]],
    [0, h, 0],
    [0, 0, 0],
    [front[0], 0, front[1]],
  ];
  scene.piece(
    { id: 'left', name: 'Left page', face: planeAt(see, outside, w, h), datum: { x: w / 2, y: h / 2 } },
    seenFace(see, outside),
  );
  scene.piece(
    {
      id: 'right',
      name: 'Right page',
      face: planeAt(see, inside as unknown as [P3, P3, P3, P3], w, h),
      datum: { x: w / 2, y: h / 2 },
    },
    seenFace(see, inside),
  );
  scene.shade(seenFace(see, outside), see([front[0], 74, front[1]]), see([0, 74, 0]), [
    [0, 0],
    [0.7, -0.1],
    [1, -0.3],
  ]);
  scene.shade(seenFace(see, inside), see([0, 74, 0]), see([back[0], 74, back[1]]), [
    [0, -0.34],
    [0.3, -0.2],
    [1, -0.12],
  ]);
  const on = (u: number, v: number): P => see([(back[0] * u) / w, h - v, (back[1] * u) / w]);
  scene.cut('over', 'paper', [on(16, 46), on(89, 46), on(89, 102), on(16, 102)], 1, 0.3);
  for (const [n, end] of [78, 70, 76, 52].entries())
    scene.strip('over', 'slate', [on(26, 58 + n * 11), on((26 + end) / 2, 57 + n * 11), on(end, 58 + n * 11)], 4, 0.8);
  return scene;
}
