import type { P } from '../../demo/draw/block.ts';
import { flatAt, newScene, rectangle } from './parts.ts';
import { type Scene, straight } from './scene.ts';

export function teaTowel(): Scene {
  const scene = newScene('tea-towel', 'Tea towel', 'home', '480 × 700 mm', 12);
  const unit = 700 / 730;
  const [w, h] = [480 / unit, 730];
  const [left, top] = [600 - w / 2, 104];
  scene.cut('under', 'linen', [
    [0, 0],
    [1200, 0],
    [1200, 900],
    [0, 900],
  ]);
  scene.strip(
    'under',
    'bark',
    [
      [150, 96],
      [1050, 96],
    ],
    20,
  );
  scene.strip(
    'under',
    'wood',
    [
      [150, 91],
      [1050, 91],
    ],
    12,
  );
  scene.cut('under', 'black', rectangle(left + 16, top + 18, w, h - 6), 0.14);
  const hem: P[] = [0, 1, 2, 3, 4, 5, 6].map((n): P => [left + w - (w * n) / 6, top + h - 4 + (n % 2) * 7]);
  const outline = straight([[left, top], [left + w, top], ...hem]);
  scene.piece({ id: 'towel', name: 'Towel', face: flatAt(left, top, unit), datum: { x: 240, y: 0 } }, outline);
  scene.shade(
    outline,
    [left, 0],
    [left + w, 0],
    [
      [0, -0.16],
      [0.1, 0],
      [0.3, -0.02],
      [0.42, -0.13],
      [0.5, 0],
      [0.72, -0.03],
      [0.86, -0.15],
      [0.93, 0],
      [1, -0.12],
    ],
  );
  scene.shade(
    straight(rectangle(left, top, w, 70)),
    [0, top],
    [0, top + 70],
    [
      [0, -0.3],
      [1, 0],
    ],
  );
  scene.stitches([
    [left + 10, top + 8],
    [left + 11, top + h - 20],
  ]);
  scene.stitches([
    [left + w - 10, top + 8],
    [left + w - 11, top + h - 18],
  ]);
  scene.stitches([
    [left + 8, top + h - 20],
    [left + w - 8, top + h - 16],
  ]);
  scene.strip(
    'over',
    'bark',
    [
      [left - 4, top - 13],
      [left + w + 4, top - 13],
    ],
    14,
  );
  scene.strip(
    'over',
    'wood',
    [
      [left - 4, top - 17],
      [left + w + 4, top - 17],
    ],
    8,
  );
  return scene;
}
