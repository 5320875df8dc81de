import type { P } from '../../demo/draw/block.ts';
import { camera, type P3 } from './camera.ts';
import { HIGH, newScene, WIDE } from './parts.ts';
import { planeAt, seenFace, type See } from './planes.ts';
import { type Scene } from './scene.ts';

export function gameFloor(): Scene {
  const scene = newScene('game-floor', 'Floor of game tiles', 'screen', '20 × 24 tiles of 64 px', 18);
  // A pixel of the game is a pixel of the web: 96 to the inch.
  const pixel = 25.4 / 96;
  const tile = 64 * pixel;
  const [columns, rows] = [20, 24];
  const [wide, deep] = [columns * tile, rows * tile];
  const see = camera([wide / 2, 120, deep + 90], [wide / 2, 20, deep * 0.42], 900, [600, 330]);
  const floor: [P3, P3, P3, P3] = [
    [0, 0, 0],
    [wide, 0, 0],
    [wide, 0, deep],
    [0, 0, deep],
  ];
  scene.cut('under', 'indigo', [
    [-4, -4],
    [WIDE + 4, -4],
    [WIDE + 4, HIGH + 4],
    [-4, HIGH + 4],
  ]);
  for (const [x, y, r] of [
    [180, 90, 5],
    [420, 50, 3],
    [700, 110, 4],
    [1050, 60, 5],
    [980, 170, 3],
    [310, 170, 3],
  ] as const)
    scene.oval('under', 'chalk', [x, y], r, r, 0.8);
  scene.oval('under', 'weld', [880, 110], 46, 46);
  scene.piece(
    { id: 'floor', name: 'Floor', face: planeAt(see, floor, wide, deep), datum: { x: 0, y: 0 } },
    seenFace(see, floor),
  );
  const far = see([wide / 2, 0, 0]);
  scene.shade(seenFace(see, floor), far, see([wide / 2, 0, deep]), [
    [0, -0.6],
    [0.3, -0.22],
    [0.8, 0],
    [1, 0],
  ]);
  for (let n = 0; n <= columns; n += 1) {
    const x = n * tile;
    scene.path(
      'over',
      'black',
      seenFace(see, [
        [x - 0.35, 0, 0],
        [x + 0.35, 0, 0],
        [x + 0.35, 0, deep],
        [x - 0.35, 0, deep],
      ]),
      0.22,
    );
  }
  for (let n = 0; n <= rows; n += 1) {
    const z = n * tile;
    scene.path(
      'over',
      'black',
      seenFace(see, [
        [0, 0, z - 0.35],
        [wide, 0, z - 0.35],
        [wide, 0, z + 0.35],
        [0, 0, z + 0.35],
      ]),
      0.22,
    );
  }
  wanderer(scene, see, [wide * 0.42, 0, deep * 0.62], tile);
  return scene;
}

/** A figure as tall as a tile is wide, cut in squares. */
function wanderer(scene: Scene, see: See, [x, , z]: P3, tall: number): void {
  const part = (
    tone: 'madder' | 'shell' | 'indigo' | 'chalk' | 'bark',
    left: number,
    low: number,
    right: number,
    high: number,
  ): void => {
    const corner = (a: number, b: number): P => see([x + a * tall, b * tall, z]);
    scene.cut('over', tone, [corner(left, high), corner(right, high), corner(right, low), corner(left, low)], 1, 0.2);
  };
  const [sx, sy] = see([x, 0, z]);
  scene.oval('over', 'black', [sx, sy], 26, 7, 0.35);
  part('bark', -0.2, 0, -0.04, 0.18);
  part('bark', 0.04, 0, 0.2, 0.18);
  part('madder', -0.25, 0.18, 0.25, 0.58);
  part('chalk', -0.25, 0.3, 0.25, 0.38);
  part('shell', -0.19, 0.58, 0.19, 0.86);
  part('indigo', -0.23, 0.82, 0.23, 1);
  part('indigo', -0.1, 0.66, -0.03, 0.74);
  part('indigo', 0.05, 0.66, 0.12, 0.74);
}
