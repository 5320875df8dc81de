import type { P } from '../../demo/draw/block.ts';
import { flatAt, newScene, rectangle, table } from './parts.ts';
import { type Scene, smooth } from './scene.ts';

export function tote(): Scene {
  const scene = newScene('tote', 'Tote bag', 'home', '380 × 420 mm', 13);
  const unit = 420 / 520;
  const [w, h] = [380 / unit, 520];
  const [left, top] = [600 - w / 2, 318];
  table(scene, 760);
  scene.oval('under', 'black', [610, 842], 290, 24, 0.16);
  const handle = (by: number): P[] => [
    [600 - 118 + by, top + 12],
    [600 - 112 + by, 190],
    [600 - 60 + by, 92],
    [600 + 60 + by, 92],
    [600 + 112 + by, 190],
    [600 + 118 + by, top + 12],
  ];
  scene.strip('under', 'slate', handle(12), 30, 0.8);
  const outline = smooth(
    [
      [left, top],
      [left + w * 0.3, top + 7],
      [left + w * 0.7, top + 5],
      [left + w, top],
      [left + w, top],
      [left + w + 8, top + h * 0.5],
      [left + w + 2, top + h],
      [left + w + 2, top + h],
      [left + w * 0.5, top + h + 6],
      [left - 2, top + h],
      [left - 2, top + h],
      [left - 8, top + h * 0.5],
      [left, top],
    ],
    14,
  );
  scene.piece({ id: 'bag', name: 'Bag', face: flatAt(left, top, unit), datum: { x: 190, y: 0 } }, outline);
  scene.shade(
    outline,
    [left, 0],
    [left + w, 0],
    [
      [0, -0.2],
      [0.12, 0],
      [0.55, 0],
      [0.82, -0.08],
      [1, -0.26],
    ],
  );
  const folds: P[][] = [
    [
      [left + 60, top + 60],
      [left + 92, top + 210],
      [left + 70, top + 380],
    ],
    [
      [left + w - 70, top + 40],
      [left + w - 104, top + 200],
      [left + w - 60, top + 420],
    ],
    [
      [left + w / 2 + 20, top + 300],
      [left + w / 2 + 4, top + 400],
      [left + w / 2 + 30, top + 500],
    ],
  ];
  for (const line of folds) {
    scene.fold('light', 'black', line, 20, 0.14);
    scene.fold(
      'light',
      'white',
      line.map(([x, y]): P => [x - 14, y + 3]),
      9,
      0.14,
    );
  }
  scene.strip('over', 'chalk', handle(0), 30);
  scene.strip('over', 'linen', handle(10), 8);
  for (const x of [482, 718]) {
    scene.cut('over', 'chalk', rectangle(x - 15, top + 4, 30, 62));
    scene.stitches([
      [x - 10, top + 10],
      [x + 10, top + 60],
    ]);
    scene.stitches([
      [x + 10, top + 10],
      [x - 10, top + 60],
    ]);
  }
  scene.stitches([
    [left + 8, top + 28],
    [left + w * 0.5, top + 33],
    [left + w - 8, top + 28],
  ]);
  return scene;
}
