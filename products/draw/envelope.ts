import { flatAt, newScene, rectangle } from './parts.ts';
import { type Scene, straight } from './scene.ts';

export function envelope(): Scene {
  const scene = newScene('envelope', 'Envelope liner', 'paper', '162 × 114 mm', 23);
  const unit = 162 / 640;
  const [left, top, w, h] = [280, 400, 640, 450];
  scene.cut('under', 'black', rectangle(left + 14, top + 16, w, h), 0.14);
  scene.shape('under', 'chalk', [
    [left, top],
    [left + 120, top - 122],
    [600, 90],
    [600, 90],
    [left + w - 120, top - 122],
    [left + w, top],
    [left + w, top],
    [left, top],
  ]);
  scene.cut('under', 'chalk', rectangle(left, top, w, h));
  const liner = straight([
    [left + 18, top + 120],
    [left + 18, top + 2],
    [left + 128, top - 102],
    [586, 116],
    [614, 116],
    [left + w - 128, top - 102],
    [left + w - 18, top + 2],
    [left + w - 18, top + 120],
    [600, top + 260],
  ]);
  scene.piece({ id: 'liner', name: 'Liner', face: flatAt(600 - 81 / unit, 90, unit), datum: { x: 81, y: 0 } }, liner);
  scene.shade(
    liner,
    [0, top - 30],
    [0, top + 70],
    [
      [0, 0],
      [0.3, -0.2],
      [1, -0.05],
    ],
  );
  scene.cut(
    'over',
    'paper',
    [
      [left, top],
      [600, top + 250],
      [left, top + h],
    ],
    1,
    0.5,
  );
  scene.cut(
    'over',
    'paper',
    [
      [left + w, top],
      [600, top + 250],
      [left + w, top + h],
    ],
    1,
    0.5,
  );
  scene.cut(
    'over',
    'chalk',
    [
      [left, top + h],
      [600 - 24, top + 226],
      [600 + 24, top + 226],
      [left + w, top + h],
    ],
    1,
    0.5,
  );
  for (const sign of [-1, 1])
    scene.fold(
      'over',
      'black',
      [
        [600 + sign * 20, top + 230],
        [600 + sign * 160, top + 326],
        [600 + (sign * w) / 2, top + h],
      ],
      5,
      0.16,
    );
  return scene;
}
