import type { P } from '../../demo/draw/block.ts';
import { camera, type P3 } from './camera.ts';
import { newScene } from './parts.ts';
import { planeAt, seenFace, type See } from './planes.ts';
import { type Scene } from './scene.ts';

export function room(): Scene {
  const scene = newScene('room', 'Papered room', 'home', '4200 × 2400 mm and 2600 × 2400 mm', 17);
  // The corner stands at the origin; one wall runs to the right, the other towards the eye.
  const see = camera([1500, 1450, 4300], [1330, 1130, 0], 1010, [600, 440]);
  const [long, short, high] = [4200, 2600, 2400];
  scene.path(
    'under',
    'wood',
    seenFace(see, [
      [0, 0, 0],
      [long, 0, 0],
      [long, 0, 3000],
      [0, 0, 3000],
    ]),
  );
  for (let z = 250; z < 3000; z += 250)
    scene.path(
      'under',
      'black',
      seenFace(see, [
        [0, 0, z],
        [long, 0, z],
        [long, 0, z + 9],
        [0, 0, z + 9],
      ]),
      0.16,
    );
  scene.path(
    'under',
    'paper',
    seenFace(see, [
      [0, high, 0],
      [long, high, 0],
      [long, high, 3600],
      [0, high, 3600],
    ]),
  );
  const back: [P3, P3, P3, P3] = [
    [0, high, 0],
    [long, high, 0],
    [long, 0, 0],
    [0, 0, 0],
  ];
  const side: [P3, P3, P3, P3] = [
    [0, high, short],
    [0, high, 0],
    [0, 0, 0],
    [0, 0, short],
  ];
  scene.piece(
    { id: 'back', name: 'Long wall', face: planeAt(see, back, long, high), datum: { x: 0, y: 0 } },
    seenFace(see, back),
  );
  scene.piece(
    { id: 'side', name: 'Short wall', face: planeAt(see, side, short, high), datum: { x: short, y: 0 } },
    seenFace(see, side),
  );
  const [corner, far] = [see([0, 1200, 0]), see([0, 1200, short])];
  scene.shade(seenFace(see, side), far, corner, [
    [0, -0.12],
    [0.8, -0.24],
    [1, -0.36],
  ]);
  scene.shade(seenFace(see, back), corner, see([1700, 1200, 0]), [
    [0, -0.24],
    [0.2, -0.06],
    [1, 0],
  ]);
  skirting(scene, see, long, short);
  door(scene, see);
  chair(scene, see);
  return scene;
}

function skirting(scene: Scene, see: See, long: number, short: number): void {
  scene.path(
    'over',
    'paper',
    seenFace(see, [
      [0, 110, 0],
      [long, 110, 0],
      [long, 0, 0],
      [0, 0, 0],
    ]),
  );
  scene.path(
    'over',
    'chalk',
    seenFace(see, [
      [0, 110, short],
      [0, 110, 0],
      [0, 0, 0],
      [0, 0, short],
    ]),
  );
  scene.path(
    'over',
    'paper',
    seenFace(see, [
      [0, 2400, 0],
      [long, 2400, 0],
      [long, 2345, 0],
      [0, 2345, 0],
    ]),
  );
  scene.path(
    'over',
    'chalk',
    seenFace(see, [
      [0, 2400, short],
      [0, 2400, 0],
      [0, 2345, 0],
      [0, 2345, short],
    ]),
  );
}

/** 762 × 1981 mm in its frame. */
function door(scene: Scene, see: See): void {
  const at = (left: number, top: number, width: number, height: number): P[] =>
    (
      [
        [left, top, 0],
        [left + width, top, 0],
        [left + width, top - height, 0],
        [left, top - height, 0],
      ] as const
    ).map((point) => see(point));
  scene.cut('over', 'paper', at(2150, 2050, 900, 2050), 1, 0.4);
  scene.cut('over', 'slate', at(2219, 1981, 762, 1981), 1, 0.4);
  for (const [left, top, width, height] of [
    [2320, 1880, 240, 760],
    [2640, 1880, 240, 760],
    [2320, 960, 240, 700],
    [2640, 960, 240, 700],
  ] as const) {
    scene.cut('over', 'black', at(left, top, width, height), 0.16, 0.3);
    scene.cut('over', 'slate', at(left + 14, top - 14, width - 20, height - 20), 1, 0.3);
  }
  const [x, y] = see([2290, 1010, 0]);
  scene.oval('over', 'weld', [x, y], 7, 7);
}

/** A plain chair: its seat 450 mm high. */
function chair(scene: Scene, see: See): void {
  const [left, right, near, back] = [980, 1420, 900, 480];
  const post = (x: number, z: number, from: number, to: number, tone: 'bark' | 'wood', wide = 42): void => {
    scene.cut(
      'over',
      tone,
      [see([x, to, z]), see([x + wide, to, z]), see([x + wide, from, z]), see([x, from, z])],
      1,
      0.3,
    );
  };
  const shadow: P3[] = [
    [left - 60, 0, near + 40],
    [right + 260, 0, near - 60],
    [right + 220, 0, back - 100],
    [left + 40, 0, back - 60],
  ];
  scene.cut('over', 'black', shadow.map(see), 0.18);
  post(left, back, 0, 940, 'bark');
  post(right - 42, back, 0, 940, 'bark');
  for (const [from, to] of [
    [860, 920],
    [700, 760],
  ] as const)
    scene.cut(
      'over',
      'wood',
      [see([left, to, back]), see([right, to, back]), see([right, from, back]), see([left, from, back])],
      1,
      0.3,
    );
  scene.cut('over', 'wood', [
    see([left - 14, 450, back]),
    see([right + 14, 450, back]),
    see([right + 20, 450, near]),
    see([left - 20, 450, near]),
  ]);
  scene.cut('over', 'bark', [
    see([left - 20, 450, near]),
    see([right + 20, 450, near]),
    see([right + 20, 400, near]),
    see([left - 20, 400, near]),
  ]);
  post(left, near, 0, 400, 'wood');
  post(right - 42, near, 0, 400, 'wood');
}
