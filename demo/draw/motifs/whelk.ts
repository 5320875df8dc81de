import { Block, type P } from '../block.ts';

/** Shoulder heights of the whorls, their half widths, and how far each leans. */
const WHORLS: readonly (readonly [y: number, half: number])[] = [
  [14, 7],
  [32, 17],
  [56, 29],
  [88, 44],
  [132, 62],
];

export function whelk(): Block {
  const block = new Block(11);
  const right: P[] = [[100, 2]];
  const left: P[] = [];
  for (const [y, half] of WHORLS) {
    right.push([100 + half * 0.86, y - half * 0.1], [100 + half, y + half * 0.14], [100 + half * 0.9, y + half * 0.32]);
    left.unshift([100 - half * 0.9, y + half * 0.44], [100 - half, y + half * 0.26], [100 - half * 0.86, y]);
  }
  block.shape('indigo', [
    ...right,
    [158, 172],
    [140, 206],
    [122, 232],
    [110, 240],
    [102, 232],
    [84, 212],
    [54, 184],
    [42, 164],
    ...left,
  ]);
  // The mouth, with its lip left standing.
  block.shape('chalk', [
    [128, 134],
    [152, 146],
    [157, 166],
    [144, 194],
    [124, 222],
    [112, 228],
    [110, 214],
    [112, 184],
    [114, 156],
  ]);
  block.shape('madder', [
    [130, 143],
    [147, 152],
    [150, 167],
    [138, 191],
    [121, 215],
    [116, 216],
    [117, 186],
    [119, 160],
  ]);
  block.gouge(
    'chalk',
    [
      [126, 158],
      [124, 182],
      [120, 204],
    ],
    3.2,
  );
  // Sutures between the whorls.
  WHORLS.slice(0, 4).forEach(([y, half], i) => {
    const drop = (WHORLS[i + 1] as readonly [number, number])[0] - y;
    block.gouge(
      'chalk',
      [
        [100 - half * 0.93, y + drop * 0.5],
        [100, y + drop * 0.78],
        [100 + half * 0.93, y + drop * 0.42],
      ],
      3.4 + i * 0.9,
    );
  });
  // Ribs, cut with the growth of the shell.
  for (const [i, [y, half]] of WHORLS.entries()) {
    const count = 2 + i * 2;
    for (let k = 0; k < count; k += 1) {
      const t = (k + 0.7) / (count + 0.4);
      const x = 100 - half * 0.9 + half * 1.8 * t;
      if (i === 4 && x > 112) continue;
      const long = half * (0.44 + 0.1 * Math.sin(t * Math.PI)) * (i === 4 ? 1.5 : 1);
      block.gouge(
        'chalk',
        [
          [x - half * 0.02, y - half * 0.08 + (i === 4 ? 10 : 2)],
          [x + half * 0.07, y + long * 0.5],
          [x + half * 0.03, y + long],
        ],
        2 + half * 0.05,
      );
    }
  }
  for (const y of [186, 198, 210])
    block.gouge(
      'chalk',
      [
        [y / 2.2 - 16, y - 8],
        [y / 2.2, y + 4],
        [y / 2.2 + 12, y + 8],
      ],
      3,
    );
  return block;
}
