import { along, type P } from '../../demo/draw/block.ts';
import { flatAt, HIGH, newScene, WIDE } from './parts.ts';
import { type Scene, smooth } from './scene.ts';

/** The vest's front and back, mm from its side and shoulder. */
const VEST = (neck: number): P[] => [
  [0, 600],
  [4, 300],
  [14, 236],
  [56, 190],
  [88, 120],
  [96, 14],
  [96, 14],
  [160, 0],
  [160, 0],
  [178, neck * 0.7],
  [250, neck],
  [322, neck * 0.7],
  [340, 0],
  [340, 0],
  [404, 14],
  [404, 14],
  [412, 120],
  [444, 190],
  [486, 236],
  [496, 300],
  [500, 600],
  [500, 600],
  [250, 612],
  [0, 600],
  [0, 600],
];
const SHORTS: P[] = [
  [20, 0],
  [262, 0],
  [262, 0],
  [258, 130],
  [276, 210],
  [330, 250],
  [330, 250],
  [322, 420],
  [322, 420],
  [166, 428],
  [6, 420],
  [6, 420],
  [10, 200],
  [20, 0],
  [20, 0],
];

const mirrored = (points: readonly P[], width: number): P[] => points.map(([x, y]): P => [width - x, y]).reverse();

/** Shorts and a vest before they are sewn: six pieces on a cutting table. */
export function cutPieces(): Scene {
  const scene = newScene('shorts-and-vest-pieces', 'Shorts and vest, cut pieces', 'clothes', 'six pieces', 41);
  const unit = 1.42;
  scene.cut('under', 'linen', [
    [-4, -4],
    [WIDE + 4, -4],
    [WIDE + 4, HIGH + 4],
    [-4, HIGH + 4],
  ]);
  for (let x = 60; x < WIDE; x += 100 / unit)
    scene.strip(
      'under',
      'slate',
      [
        [x, 0],
        [x, HIGH],
      ],
      1,
      0.25,
    );
  for (let y = 40; y < HIGH; y += 100 / unit)
    scene.strip(
      'under',
      'slate',
      [
        [0, y],
        [WIDE, y],
      ],
      1,
      0.25,
    );
  const lay = (
    id: string,
    name: string,
    outline: readonly P[],
    left: number,
    top: number,
    middle: number,
    length: number,
  ): void => {
    const at = ([x, y]: P): P => [left + x / unit, top + y / unit];
    const placed = outline.map(at);
    scene.shape(
      'under',
      'black',
      placed.map(([x, y]): P => [x + 5, y + 6]),
      0.14,
    );
    scene.piece({ id, name, face: flatAt(left, top, unit), datum: { x: middle, y: length } }, smooth(placed, 8));
    const rim = along(placed, true, 5);
    scene.strip('over', 'indigo', [...rim, rim[0] as P], 2.2, 0.8, false);
    // The grain line, with an arrow at each end.
    const [gx, gy, by] = [left + middle / unit, top + (length * 0.38) / unit, (length * 0.42) / unit];
    scene.strip(
      'over',
      'chalk',
      [
        [gx, gy],
        [gx, gy + by],
      ],
      5,
      0.85,
    );
    scene.strip(
      'over',
      'indigo',
      [
        [gx, gy],
        [gx, gy + by],
      ],
      2,
    );
    for (const [y, sign] of [
      [gy, 1],
      [gy + by, -1],
    ] as const)
      scene.cut(
        'over',
        'indigo',
        [
          [gx, y - sign * 3],
          [gx + 6, y + sign * 11],
          [gx - 6, y + sign * 11],
        ],
        1,
        0.2,
      );
    for (const share of [0.28, 0.62]) {
      const [x, y] = rim[Math.floor(rim.length * share)] as P;
      scene.cut(
        'over',
        'indigo',
        [
          [x - 5, y - 4],
          [x + 5, y - 4],
          [x, y + 6],
        ],
        0.9,
        0.2,
      );
    }
  };
  lay('vest-front', 'Vest, front', VEST(130), 60, 46, 250, 612);
  lay('vest-back', 'Vest, back', VEST(52), 452, 46, 250, 612);
  lay('shorts-front-left', 'Shorts, front left', SHORTS, 862, 46, 150, 428);
  lay('shorts-front-right', 'Shorts, front right', mirrored(SHORTS, 336), 862, 400, 186, 428);
  lay('shorts-back-left', 'Shorts, back left', SHORTS, 210, 532, 150, 428);
  lay('shorts-back-right', 'Shorts, back right', mirrored(SHORTS, 336), 532, 532, 186, 428);
  // Seen from behind, the sides are the other way round.
  scene
    .seam('vest-front', [4, 300], 'vest-back', [496, 300])
    .seam('vest-front', [496, 300], 'vest-back', [4, 300])
    .seam('shorts-front-left', [258, 130], 'shorts-front-right', [78, 130])
    .seam('shorts-back-left', [258, 130], 'shorts-back-right', [78, 130])
    .seam('shorts-front-left', [10, 200], 'shorts-back-right', [326, 200])
    .seam('shorts-front-right', [326, 200], 'shorts-back-left', [10, 200]);
  return scene;
}
