import type { P } from '../../demo/draw/block.ts';
import { flatAt, newScene, rectangle } from './parts.ts';
import { type Scene, straight } from './scene.ts';

export function apron(): Scene {
  const scene = newScene('apron', 'Apron', 'home', '700 × 850 mm', 14);
  const unit = 850 / 740;
  const x = (mm: number): number => 600 + mm / unit;
  const y = (mm: number): number => 116 + mm / unit;
  scene.cut('under', 'black', rectangle(x(-330), y(330), 660 / unit, 520 / unit), 0.1);
  scene.strip(
    'under',
    'indigo',
    [
      [x(-128), y(8)],
      [x(-120), y(-60)],
      [x(0), y(-112)],
      [x(120), y(-60)],
      [x(128), y(8)],
    ],
    15,
  );
  scene.strip(
    'under',
    'indigo',
    [
      [x(-345), y(318)],
      [x(-420), y(360)],
      [x(-440), y(520)],
    ],
    15,
  );
  scene.strip(
    'under',
    'indigo',
    [
      [x(345), y(318)],
      [x(425), y(350)],
      [x(452), y(500)],
    ],
    15,
  );
  const side = (sign: 1 | -1): P[] =>
    (
      [
        [140, 0],
        [146, 90],
        [172, 180],
        [240, 262],
        [348, 306],
        [350, 330],
        [352, 600],
        [344, 842],
      ] as const
    ).map(([a, b]): P => [x(sign * a), y(b)]);
  const outline = straight([...side(1), [x(0), y(854)], ...side(-1).reverse()]);
  scene.piece({ id: 'body', name: 'Body', face: flatAt(x(-350), y(0), unit), datum: { x: 350, y: 0 } }, outline);
  const pocket = straight([
    [x(-150), y(430)],
    [x(150), y(430)],
    [x(146), y(600)],
    [x(118), y(622)],
    [x(-118), y(622)],
    [x(-146), y(600)],
  ]);
  scene.piece({ id: 'pocket', name: 'Pocket', face: flatAt(x(-350), y(0), unit), datum: { x: 350, y: 0 } }, pocket);
  scene.shade(
    outline,
    [x(-350), 0],
    [x(350), 0],
    [
      [0, -0.22],
      [0.2, -0.02],
      [0.45, 0],
      [0.8, -0.05],
      [1, -0.26],
    ],
  );
  for (const [from, to, by] of [
    [-220, -262, 30],
    [210, 258, 24],
    [-20, 24, 18],
  ] as const)
    scene.fold(
      'light',
      'black',
      [
        [x(from), y(420)],
        [x((from + to) / 2 + 8), y(620)],
        [x(to), y(836)],
      ],
      by,
      0.13,
    );
  scene.cut(
    'light',
    'black',
    [
      [x(-146), y(600)],
      [x(-118), y(622)],
      [x(118), y(622)],
      [x(146), y(600)],
      [x(150), y(606)],
      [x(120), y(632)],
      [x(-120), y(632)],
      [x(-150), y(606)],
    ],
    0.24,
  );
  scene.strip(
    'over',
    'indigo',
    [
      [x(-140), y(6)],
      [x(140), y(6)],
    ],
    9,
  );
  scene.strip(
    'over',
    'indigo',
    [
      [x(-150), y(434)],
      [x(150), y(434)],
    ],
    8,
  );
  scene.stitches([
    [x(0), y(440)],
    [x(0), y(618)],
  ]);
  scene.stitches([
    [x(-338), y(832)],
    [x(0), y(842)],
    [x(338), y(832)],
  ]);
  return scene;
}
