import type { P } from '../../demo/draw/block.ts';
import { flatAt, newScene, rectangle, WIDE } from './parts.ts';
import { type Scene, straight } from './scene.ts';

export function notebook(): Scene {
  const scene = newScene('notebook', 'Notebook', 'paper', '148 × 210 mm', 24);
  const [w, h, unit, turn] = [148, 210, 210 / 690, -8];
  const [sin, cos] = [Math.sin((turn * Math.PI) / 180), Math.cos((turn * Math.PI) / 180)];
  const at = (u: number, v: number): P => {
    const [x, y] = [(u - w / 2) / unit, (v - h / 2) / unit];
    return [560 + x * cos - y * sin, 450 + x * sin + y * cos];
  };
  scene.cut('under', 'linen', rectangle(-4, -4, WIDE + 8, 908));
  scene.cut('under', 'black', [at(5, 6), at(w + 7, 6), at(w + 7, h + 6), at(5, h + 6)], 0.18);
  scene.cut('under', 'paper', [at(3, 3), at(w + 3.5, 3), at(w + 3.5, h + 3), at(3, h + 3)]);
  const [x, y] = at(0, 0);
  const cover = [
    at(0, 1),
    at(1, 0),
    at(w - 5, 0),
    at(w - 1, 1.5),
    at(w, 5),
    at(w, h - 5),
    at(w - 1, h - 1.5),
    at(w - 5, h),
    at(1, h),
    at(0, h - 1),
  ];
  scene.piece(
    { id: 'cover', name: 'Cover', face: flatAt(x, y, unit, turn), datum: { x: w / 2, y: h / 2 } },
    straight(cover),
  );
  scene.shade(straight(cover), at(0, 100), at(16, 102), [
    [0, -0.34],
    [0.5, -0.06],
    [0.7, -0.22],
    [1, 0],
  ]);
  const band = [at(w - 18, -0.5), at(w - 13, -0.5), at(w - 13, h + 0.5), at(w - 18, h + 0.5)];
  scene.cut('over', 'madder', band, 1, 0.3);
  const label = [at(34, 40), at(114, 40), at(114, 84), at(34, 84)];
  scene.cut('over', 'chalk', label);
  for (const v of [55, 66, 77]) scene.strip('over', 'slate', [at(42, v), at(74, v), at(106, v)], 2.4, 0.8);
  const lead: P[] = [
    [930, 250],
    [990, 470],
    [1046, 700],
  ];
  scene.strip(
    'over',
    'black',
    lead.map(([a, b]): P => [a + 9, b + 9]),
    24,
    0.16,
  );
  scene.strip('over', 'weld', lead, 25);
  scene.strip(
    'over',
    'bark',
    lead.map(([a, b]): P => [a + 6, b - 1]),
    5,
    0.5,
  );
  scene.cut('over', 'shell', [
    [1034, 703],
    [1058, 697],
    [1062, 742],
  ]);
  scene.cut(
    'over',
    'indigo',
    [
      [1053, 723],
      [1060, 721],
      [1062, 742],
    ],
    1,
    0.2,
  );
  return scene;
}
