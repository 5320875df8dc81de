import type { Face } from '../../core/tryon/index.ts';
import { type P } from '../../demo/draw/block.ts';
import { flatAt, HIGH, newScene, WIDE } from './parts.ts';
import { type Scene, straight } from './scene.ts';

export function scarf(): Scene {
  const scene = newScene('scarf', 'Square scarf', 'clothes', '700 × 700 mm', 44);
  const unit = 700 / 720;
  const [left, top, side] = [250, 90, 720];
  scene.cut('under', 'linen', [
    [-4, -4],
    [WIDE + 4, -4],
    [WIDE + 4, HIGH + 4],
    [-4, HIGH + 4],
  ]);
  const fold = 230;
  const [right, bottom] = [left + side, top + side];
  const main: P[] = [
    [left, top],
    [right, top],
    [right, bottom - fold],
    [right - fold, bottom],
    [left, bottom],
  ];
  scene.cut(
    'under',
    'black',
    main.map(([x, y]): P => [x + 9, y + 11]),
    0.16,
  );
  scene.piece({ id: 'scarf', name: 'Scarf', face: flatAt(left, top, unit), datum: { x: 350, y: 350 } }, straight(main));
  // The corner turned over shows the other side: its cloth is seen in a mirror along the fold.
  const flap: P[] = [
    [right, bottom - fold],
    [right - fold, bottom],
    [right - fold, bottom - fold],
  ];
  const face: Face = {
    kind: 'plane',
    corners: [
      { x: right, y: bottom },
      { x: right, y: bottom - fold },
      { x: right - fold, y: bottom - fold },
      { x: right - fold, y: bottom },
    ],
    width: fold * unit,
    height: fold * unit,
  };
  const datum = { x: fold * unit - 350, y: fold * unit - 350 };
  scene.piece({ id: 'corner', name: 'Turned corner', face, datum }, straight(flap));
  scene.shade(
    straight(main),
    [left, top],
    [right, bottom],
    [
      [0, 0],
      [0.55, -0.03],
      [1, -0.08],
    ],
  );
  scene.cut(
    'light',
    'black',
    [
      [right, bottom - fold],
      [right - fold, bottom],
      [right - fold - 14, bottom - fold - 16],
    ],
    0.26,
  );
  scene.shade(
    straight(flap),
    [right - fold / 2, bottom - fold / 2],
    [right - fold, bottom - fold],
    [
      [0, -0.3],
      [0.3, -0.02],
      [1, 0.08],
    ],
  );
  const hem = (points: readonly P[]): void => void scene.strip('over', 'indigo', points, 8, 1, false);
  hem([
    [right - fold, bottom],
    [left, bottom],
    [left, top],
    [right, top],
    [right, bottom - fold],
  ]);
  hem([
    [right, bottom - fold],
    [right - fold, bottom - fold],
    [right - fold, bottom],
  ]);
  return scene;
}
