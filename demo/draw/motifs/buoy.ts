import { Block, ellipse, type P } from '../block.ts';

/** Half width of the float at a height. */
const half = (y: number): number => 46 * Math.sin(Math.PI * Math.min(0.985, Math.max(0.03, (y - 44) / 134))) ** 0.62;

export function buoy(): Block {
  const block = new Block(37);
  const slice = (from: number, to: number): P[] => {
    const heights = Array.from({ length: 7 }, (_, i) => from + ((to - from) * i) / 6);
    return [...heights.map((y): P => [80 + half(y), y]), ...heights.reverse().map((y): P => [80 - half(y), y])];
  };
  block.corners('indigo', [
    [74, 6],
    [86, 6],
    [87, 60],
    [73, 60],
  ]);
  block.shape('weld', [
    [86, 8],
    [104, 10],
    [124, 16],
    [126, 22],
    [108, 27],
    [87, 32],
  ]);
  block.gouge(
    'chalk',
    [
      [92, 15],
      [104, 17],
      [114, 20],
    ],
    3,
  );
  block.corners('indigo', slice(45, 176), 0.4);
  block.corners('madder', slice(58, 86));
  block.corners('chalk', slice(90, 122));
  block.corners('madder', slice(126, 154));
  // Shade hatched on one side, light cut into the other.
  for (let k = 0; k < 8; k += 1) {
    const y = 60 + k * 3.4;
    block.gouge(
      'indigo',
      [
        [80 + half(y) * 0.48, y + 1],
        [80 + half(y) * 0.74, y + 2],
        [80 + half(y) * 0.98, y],
      ],
      1.8,
    );
    block.gouge(
      'indigo',
      [
        [80 + half(y + 33) * 0.52, y + 33],
        [80 + half(y + 33) * 0.76, y + 34],
        [80 + half(y + 33) * 0.98, y + 32],
      ],
      1.8,
    );
    block.gouge(
      'indigo',
      [
        [80 + half(y + 67) * 0.48, y + 67],
        [80 + half(y + 67) * 0.74, y + 68],
        [80 + half(y + 67) * 0.98, y + 66],
      ],
      1.8,
    );
  }
  block.gouge(
    'chalk',
    [
      [55, 83],
      [51, 74],
      [57, 64],
    ],
    4.6,
  );
  block.gouge(
    'chalk',
    [
      [67, 82],
      [65, 72],
      [69, 62],
    ],
    4,
  );
  block.gouge(
    'chalk',
    [
      [47, 130],
      [51, 142],
      [58, 150],
    ],
    4.6,
  );
  block.gouge(
    'chalk',
    [
      [60, 130],
      [62, 142],
      [67, 152],
    ],
    4,
  );
  // The eye and a turn of rope.
  block.shape('indigo', ellipse(80, 190, 15, 16));
  block.shape('chalk', ellipse(80, 190, 7, 8));
  block.strip(
    'weld',
    [
      [80, 190],
      [98, 204],
      [96, 226],
      [76, 232],
      [66, 246],
      [78, 260],
    ],
    8,
  );
  for (const [x, y] of [
    [93, 199],
    [98, 208],
    [98, 217],
    [93, 226],
    [84, 230],
    [74, 234],
    [68, 242],
    [71, 252],
  ] as const) {
    block.gouge(
      'indigo',
      [
        [x - 3.6, y + 3],
        [x, y],
        [x + 3.6, y - 3],
      ],
      1.7,
    );
  }
  return block;
}
