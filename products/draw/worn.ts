import { type P } from '../../demo/draw/block.ts';
import { bodied } from './bodied.ts';
import { figure } from './figure.ts';
import { newScene } from './parts.ts';
import { type Scene, smooth } from './scene.ts';

export function worn(): Scene {
  const scene = newScene(
    'shorts-and-vest',
    'Shorts and vest, worn',
    'clothes',
    'vest 500 × 600 mm, shorts 420 mm long',
    42,
  );
  const unit = 1.2;
  const y = (mm: number): number => 100 + mm / unit;
  const x = (mm: number): number => 600 + mm / unit;
  figure(scene, x, y);
  // Shorts below, each leg its own.
  for (const sign of [-1, 1] as const) {
    const leg: P[] = [
      [0, 536],
      [196, 536],
      [196, 536],
      [218, 640],
      [250, 880],
      [250, 880],
      [140, 892],
      [26, 880],
      [26, 880],
      [12, 760],
      [0, 710],
      [0, 710],
    ];
    const id = sign < 0 ? 'leg-left' : 'leg-right';
    const outline = smooth(
      leg.map(([a, b]): P => [x(sign * a), y(b)]),
      10,
    );
    const face = bodied(
      (u, v) => [x(sign * (112 + v * 18) + u * (122 + v * 8)), y(520 + v * 376 + (1 - u * u) * 8)],
      276,
      376,
    );
    scene.piece(
      { id, name: sign < 0 ? 'Shorts, left leg' : 'Shorts, right leg', face, datum: { x: 138, y: 0 } },
      outline,
    );
    // Light falls on what the vest leaves in sight.
    const lit = smooth(
      leg.map(([a, b]): P => [x(sign * a), y(Math.max(b, 604))]),
      10,
    );
    scene.shade(
      lit,
      [x(sign * 4), 0],
      [x(sign * 250), 0],
      [
        [0, -0.34],
        [0.3, -0.04],
        [0.6, 0.04],
        [1, -0.34],
      ],
    );
    scene.fold(
      'light',
      'black',
      [
        [x(sign * 10), y(650)],
        [x(sign * 60), y(690)],
        [x(sign * 120), y(690)],
      ],
      20,
      0.2,
    );
    scene.fold(
      'light',
      'black',
      [
        [x(sign * 160), y(640)],
        [x(sign * 150), y(740)],
        [x(sign * 176), y(860)],
      ],
      22,
      0.13,
    );
  }
  const vest: P[] = [
    [-232, 590],
    [-226, 420],
    [-238, 262],
    [-238, 262],
    [-196, 200],
    [-168, 120],
    [-160, 8],
    [-160, 8],
    [-96, -8],
    [-96, -8],
    [-78, 82],
    [0, 130],
    [78, 82],
    [96, -8],
    [96, -8],
    [160, 8],
    [160, 8],
    [168, 120],
    [196, 200],
    [238, 262],
    [238, 262],
    [226, 420],
    [232, 590],
    [232, 590],
    [0, 604],
    [-232, 590],
  ];
  const outline = smooth(
    vest.map(([a, b]): P => [x(a), y(b)]),
    10,
  );
  const face = bodied(
    (u, v) => [x(u * (254 - 14 * Math.sin(Math.PI * v))), y(-12 + v * 616 + (1 - u * u) * (6 + 10 * v))],
    520,
    616,
  );
  scene.cut(
    'light',
    'black',
    [
      [x(-218), y(592)],
      [x(0), y(606)],
      [x(218), y(592)],
      [x(220), y(618)],
      [x(0), y(632)],
      [x(-220), y(618)],
    ],
    0.24,
  );
  scene.piece({ id: 'vest', name: 'Vest', face, datum: { x: 260, y: 0 } }, outline);
  scene.shade(
    outline,
    [x(-240), 0],
    [x(240), 0],
    [
      [0, -0.42],
      [0.18, -0.12],
      [0.42, 0.06],
      [0.6, 0],
      [0.85, -0.14],
      [1, -0.46],
    ],
  );
  for (const [line, by] of [
    [
      [
        [-190, 250],
        [-130, 300],
        [-100, 390],
      ],
      20,
    ],
    [
      [
        [196, 250],
        [140, 320],
        [120, 420],
      ],
      22,
    ],
    [
      [
        [-150, 440],
        [-172, 520],
        [-160, 590],
      ],
      26,
    ],
    [
      [
        [60, 420],
        [84, 510],
        [66, 596],
      ],
      24,
    ],
    [
      [
        [176, 470],
        [186, 540],
        [170, 588],
      ],
      18,
    ],
  ] as const)
    scene.fold(
      'light',
      'black',
      line.map(([a, b]): P => [x(a), y(b)]),
      by,
      0.16,
    );
  const rim = (points: readonly P[], width: number): void => {
    scene.strip(
      'over',
      'indigo',
      points.map(([a, b]): P => [x(a), y(b)]),
      width,
    );
  };
  rim(
    [
      [-96, -8],
      [-78, 82],
      [0, 130],
      [78, 82],
      [96, -8],
    ],
    8,
  );
  rim(
    [
      [-160, 8],
      [-168, 120],
      [-196, 200],
      [-238, 262],
    ],
    7,
  );
  rim(
    [
      [160, 8],
      [168, 120],
      [196, 200],
      [238, 262],
    ],
    7,
  );
  scene.stitches([
    [x(-232), y(576)],
    [x(0), y(590)],
    [x(232), y(576)],
  ]);
  for (const sign of [-1, 1])
    scene.stitches([
      [x(sign * 34), y(868)],
      [x(sign * 140), y(880)],
      [x(sign * 244), y(868)],
    ]);
  scene.strip(
    'over',
    'indigo',
    [
      [x(0), y(640)],
      [x(1), y(712)],
    ],
    3,
    0.7,
  );
  return scene;
}
