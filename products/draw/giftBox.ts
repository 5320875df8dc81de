import type { P } from '../../demo/draw/block.ts';
import { camera, type P3 } from './camera.ts';
import { newScene, table } from './parts.ts';
import { planeAt, seenFace } from './planes.ts';
import { type Scene } from './scene.ts';

export function giftBox(): Scene {
  const scene = newScene('gift-box', 'Gift box', 'paper', '300 × 220 × 120 mm', 21);
  const see = camera([390, 430, 640], [150, 42, 96], 1080, [600, 470]);
  const [w, d, h] = [300, 220, 120];
  table(scene, 300);
  scene.cut(
    'under',
    'black',
    [see([-14, 0, d + 10]), see([w + 20, 0, d + 24]), see([w + 90, 0, 30]), see([w, 0, -20]), see([0, 0, 0])],
    0.16,
  );
  const top: [P3, P3, P3, P3] = [
    [0, h, 0],
    [w, h, 0],
    [w, h, d],
    [0, h, d],
  ];
  const front: [P3, P3, P3, P3] = [
    [0, h, d],
    [w, h, d],
    [w, 0, d],
    [0, 0, d],
  ];
  const end: [P3, P3, P3, P3] = [
    [w, h, d],
    [w, h, 0],
    [w, 0, 0],
    [w, 0, d],
  ];
  // The paper goes over the box in one piece: the front hangs from the top's edge, and the end meets the front.
  scene.piece({ id: 'top', name: 'Top', face: planeAt(see, top, w, d), datum: { x: 0, y: d } }, seenFace(see, top));
  scene.piece(
    { id: 'front', name: 'Front', face: planeAt(see, front, w, h), datum: { x: 0, y: 0 } },
    seenFace(see, front),
  );
  scene.piece({ id: 'end', name: 'End', face: planeAt(see, end, d, h), datum: { x: -w, y: 0 } }, seenFace(see, end));
  scene.path('light', 'black', seenFace(see, front), 0.14);
  scene.path('light', 'black', seenFace(see, end), 0.34);
  const tape = (corners: P3[], tone: 'madder' | 'black', opacity = 1): void => {
    scene.cut('over', tone, corners.map(see), opacity, 0.3);
  };
  const [a, b] = [132, 160];
  tape(
    [
      [a, h, 0],
      [b, h, 0],
      [b, h, d],
      [a, h, d],
    ],
    'madder',
  );
  tape(
    [
      [a, h, d],
      [b, h, d],
      [b, 0, d],
      [a, 0, d],
    ],
    'madder',
  );
  tape(
    [
      [a, h, d],
      [b, h, d],
      [b, 0, d],
      [a, 0, d],
    ],
    'black',
    0.14,
  );
  tape(
    [
      [0, h, 92],
      [w, h, 92],
      [w, h, 120],
      [0, h, 120],
    ],
    'madder',
  );
  tape(
    [
      [w, h, 120],
      [w, h, 92],
      [w, 0, 92],
      [w, 0, 120],
    ],
    'madder',
  );
  tape(
    [
      [w, h, 120],
      [w, h, 92],
      [w, 0, 92],
      [w, 0, 120],
    ],
    'black',
    0.34,
  );
  const [kx, ky] = see([146, h, 106]);
  for (const sign of [-1, 1]) {
    const loop: P[] = [
      [kx, ky],
      [kx + sign * 60, ky - 74],
      [kx + sign * 138, ky - 66],
      [kx + sign * 120, ky - 8],
    ];
    scene.shape('over', 'madder', loop);
    scene.shape(
      'over',
      'black',
      loop.map(([x, y]): P => [kx + (x - kx) * 0.62, ky - 10 + (y - ky) * 0.55]),
      0.3,
    );
    scene.strip(
      'over',
      'madder',
      [
        [kx, ky],
        [kx + sign * 40, ky + 44],
        [kx + sign * 92, ky + 62],
      ],
      22,
    );
  }
  scene.oval('over', 'madder', [kx, ky - 6], 24, 19);
  return scene;
}
