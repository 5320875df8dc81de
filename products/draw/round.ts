import { type Face, faceMap } from '../../core/tryon/index.ts';
import type { P } from '../../demo/draw/block.ts';
import { newScene, table } from './parts.ts';
import { type Scene, straight } from './scene.ts';

/** The outline of the front of a round thing between two depths, mm of its cloth at the middle. */
function front(face: Face, edge: (share: number, depth: 0 | 1) => readonly [number, number]): P[] {
  const { toScene } = faceMap(face);
  const steps = Array.from({ length: 41 }, (_, n) => n / 40);
  const rim = (depth: 0 | 1): P[] =>
    steps.map((share): P => {
      const { x, y } = toScene(...edge(share * 2 - 1, depth));
      return [x, y];
    });
  return [...rim(0), ...rim(1).reverse()];
}

export function lampshade(): Scene {
  const scene = newScene('lampshade', 'Lampshade', 'home', '∅ 400 × 260 mm', 15);
  const [top, bottom, height, scale] = [250, 400, 260, 1.35];
  const shape = { kind: 'cone', x: 600, y: 190, scale, pitch: 9, rotation: 0, height, top, bottom } as const;
  const growth = (bottom - top) / 2 / height;
  const sine = growth / Math.hypot(1, growth);
  // Points of the unrolled cloth at an angle about the axis, on the upper rim or the lower one.
  const unrolled = (angle: number, radius: number): readonly [number, number] => {
    const slant = radius / sine;
    return [slant * Math.sin(angle * sine), slant * Math.cos(angle * sine) - top / 2 / sine];
  };
  const outline = front(shape, (share, depth) => unrolled(share * 1.53, depth === 0 ? top / 2 : bottom / 2));
  table(scene, 760);
  scene.oval('under', 'black', [620, 826], 190, 22, 0.16);
  // The base: a turned pot, in one cut with a lighter side.
  const pot: P[] = [
    [585, 560],
    [615, 560],
    [622, 610],
    [690, 660],
    [706, 730],
    [668, 804],
    [600, 822],
    [532, 804],
    [494, 730],
    [510, 660],
    [578, 610],
  ];
  scene.shape('under', 'kelp', pot);
  scene.fold(
    'under',
    'white',
    [
      [536, 680],
      [520, 730],
      [540, 782],
    ],
    22,
    0.22,
  );
  scene.fold(
    'under',
    'black',
    [
      [668, 664],
      [690, 730],
      [650, 796],
    ],
    40,
    0.16,
  );
  scene.oval(
    'under',
    'bark',
    [600, 192],
    (top / 2) * scale - 4,
    (top / 2) * scale * Math.sin((9 * Math.PI) / 180),
    0.55,
  );
  scene.piece({ id: 'shade', name: 'Shade', face: shape, datum: { x: 0, y: 0 } }, straight(outline));
  const [left, right] = [600 - (bottom / 2) * scale, 600 + (bottom / 2) * scale];
  scene.shade(
    straight(outline),
    [left, 0],
    [right, 0],
    [
      [0, -0.42],
      [0.14, -0.2],
      [0.36, 0.1],
      [0.5, 0.22],
      [0.64, 0.08],
      [0.88, -0.24],
      [1, -0.5],
    ],
  );
  const count = outline.length / 2;
  scene.strip('over', 'chalk', outline.slice(0, count), 7, 1, false);
  scene.strip('over', 'chalk', outline.slice(count), 9, 1, false);
  return scene;
}

export function mug(): Scene {
  const scene = newScene('mug', 'Mug', 'home', '∅ 82 × 95 mm', 16);
  const [diameter, height, scale, pitch] = [82, 95, 4.7, 13];
  const face = { kind: 'cylinder', x: 560, y: 230, scale, pitch, rotation: 0, height, diameter } as const;
  const radius = diameter / 2;
  const [rx, ry] = [radius * scale, radius * scale * Math.sin((pitch * Math.PI) / 180)];
  const drop = height * scale * Math.cos((pitch * Math.PI) / 180);
  const body = front(face, (share, depth) => [share * 1.565 * radius, depth === 0 ? 0 : height]);
  const print = front(face, (share, depth) => [share * 1.565 * radius, depth === 0 ? 4 : height - 3]);
  table(scene, 600);
  scene.oval('under', 'black', [585, 232 + drop + ry * 0.8], rx * 1.2, ry * 0.9, 0.18);
  const handle: P[] = [
    [560 + rx - 8, 330],
    [560 + rx + 82, 316],
    [560 + rx + 128, 410],
    [560 + rx + 92, 520],
    [560 + rx - 10, 566],
  ];
  scene.strip(
    'under',
    'linen',
    handle.map(([x, y]): P => [x + 3, y + 9]),
    46,
  );
  scene.strip('under', 'paper', handle, 42);
  scene.path('under', 'paper', straight(body));
  scene.piece({ id: 'print', name: 'Print', face, datum: { x: 0, y: 4 } }, straight(print));
  scene.shade(
    straight(body),
    [560 - rx, 0],
    [560 + rx, 0],
    [
      [0, -0.4],
      [0.1, -0.22],
      [0.26, 0.06],
      [0.34, 0.16],
      [0.42, 0.03],
      [0.7, -0.08],
      [0.9, -0.3],
      [1, -0.46],
    ],
  );
  scene.oval('over', 'paper', [560, 230], rx, ry);
  scene.oval('over', 'bark', [560, 233], rx - 15, ry - 8, 0.9);
  scene.oval('over', 'black', [560, 238], rx - 22, ry - 16, 0.25);
  return scene;
}
