import type { Product } from '../../core/tryon/index.ts';
import { type P } from '../../demo/draw/block.ts';
import { bodied } from './bodied.ts';
import { newScene } from './parts.ts';
import { type Scene, smooth } from './scene.ts';

export function dress(): Scene {
  const scene = newScene('dress', 'Dress', 'clothes', '960 mm long', 43);
  const unit = 1.22;
  const x = (mm: number): number => 600 + mm / unit;
  const y = (mm: number): number => 74 + mm / unit;
  scene.strip(
    'under',
    'bark',
    [
      [x(-190), y(28)],
      [x(-90), y(-6)],
      [x(0), y(-24)],
      [x(90), y(-6)],
      [x(190), y(28)],
    ],
    12,
  );
  scene.strip(
    'under',
    'slate',
    [
      [x(0), y(-24)],
      [x(2), y(-52)],
      [x(22), y(-66)],
      [x(26), y(-84)],
    ],
    5,
  );
  const waist = 390;
  const bodice: P[] = [
    [-190, waist],
    [-206, 250],
    [-206, 250],
    [-172, 170],
    [-150, 16],
    [-150, 16],
    [-92, 0],
    [-92, 0],
    [-64, 84],
    [0, 112],
    [64, 84],
    [92, 0],
    [92, 0],
    [150, 16],
    [150, 16],
    [172, 170],
    [206, 250],
    [206, 250],
    [190, waist],
    [190, waist],
    [0, waist + 10],
    [-190, waist],
  ];
  const skirt: P[] = [
    [-190, waist],
    [0, waist + 10],
    [190, waist],
    [190, waist],
    [300, 660],
    [372, 940],
    [372, 940],
    [270, 962],
    [160, 950],
    [40, 972],
    [-80, 954],
    [-200, 970],
    [-372, 940],
    [-372, 940],
    [-300, 660],
    [-190, waist],
  ];
  const [top, low] = [bodice, skirt].map((points) =>
    smooth(
      points.map(([a, b]): P => [x(a), y(b)]),
      10,
    ),
  ) as [string, string];
  // A flared skirt is cut as part of a ring, and its folds take up more than a third of that: its cloth closes up around the waist.
  const skirtFace = closedRing((angle, reach) => [
    x(reach * Math.sin(angle)),
    y(waist - WAIST + reach * Math.cos(angle)),
  ]);
  scene.piece({ id: 'skirt', name: 'Skirt', ...skirtFace }, low);
  scene.piece(
    {
      id: 'bodice',
      name: 'Bodice',
      face: bodied((u, v) => [x(u * 222), y(v * 400 + (1 - u * u) * 8 * v)], 440, 400),
      datum: { x: 220, y: 0 },
    },
    top,
  );
  scene.shade(
    top,
    [x(-206), 0],
    [x(206), 0],
    [
      [0, -0.4],
      [0.25, -0.06],
      [0.45, 0.05],
      [0.8, -0.1],
      [1, -0.42],
    ],
  );
  scene.shade(
    low,
    [x(-372), 0],
    [x(372), 0],
    [
      [0, -0.36],
      [0.3, -0.02],
      [0.7, -0.04],
      [1, -0.4],
    ],
  );
  for (const [from, to, by] of [
    [-120, -236, 46],
    [-46, -84, 40],
    [30, 66, 36],
    [96, 190, 48],
    [150, 300, 36],
  ] as const) {
    const line: P[] = [
      [x(from), y(waist + 20)],
      [x((from + to) / 2), y(680)],
      [x(to), y(958)],
    ];
    scene.fold('light', 'black', line, by, 0.2);
    scene.fold(
      'light',
      'white',
      line.map(([a, b]): P => [a - by * 0.7, b]),
      by * 0.4,
      0.12,
    );
  }
  scene.strip(
    'over',
    'indigo',
    [
      [x(-192), y(waist - 3)],
      [x(0), y(waist + 7)],
      [x(192), y(waist - 3)],
    ],
    13,
  );
  scene.strip(
    'over',
    'indigo',
    [
      [x(-92), y(0)],
      [x(-64), y(84)],
      [x(0), y(112)],
      [x(64), y(84)],
      [x(92), y(0)],
    ],
    6,
  );
  return scene;
}

/** From the ring's centre to the waist and to the hem, mm. */
const [WAIST, HEM] = [470, 1060];
/** Half of the ring's angle as it is cut, and as it is seen once it hangs, radians. */
const [CUT, HUNG] = [0.7, 0.4];

/** A mesh over the rectangle of cloth about part of a ring. @param see where a point at an angle from the ring's middle is seen */
function closedRing(see: (angle: number, reach: number) => P): Pick<Product['pieces'][number], 'face' | 'datum'> {
  const [across, down] = [9, 7];
  const [width, top] = [HEM * Math.sin(CUT) * 2.08, WAIST * Math.cos(CUT) * 0.96];
  const points = Array.from({ length: across * down }, (_, n) => {
    const u = width * ((n % across) / (across - 1) - 0.5);
    const v = top + ((HEM - top) * Math.floor(n / across)) / (down - 1);
    const [x, y] = see((Math.atan2(u, v) * HUNG) / CUT, Math.hypot(u, v));
    return { x: Number(x.toFixed(2)), y: Number(y.toFixed(2)) };
  });
  const face = { kind: 'mesh', columns: across, rows: down, points, width, height: HEM - top } as const;
  return { face, datum: { x: width / 2, y: WAIST - top } };
}
