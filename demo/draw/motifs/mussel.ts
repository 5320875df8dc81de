import { Block, type P } from '../block.ts';

const SHELL: readonly P[] = [
  [30, 8],
  [46, 22],
  [72, 60],
  [88, 104],
  [86, 142],
  [66, 164],
  [42, 158],
  [24, 128],
  [16, 84],
  [16, 36],
  [20, 14],
];

export function mussel(): Block {
  const block = new Block(67);
  block.shape('indigo', SHELL);
  for (let k = 0; k < 6; k += 1) {
    const s = 0.36 + k * 0.115;
    const at = ([x, y]: P): P => [30 + (x - 30) * s, 8 + (y - 8) * s];
    block.gouge('chalk', [at([22, 100]), at([30, 136]), at([48, 154]), at([68, 152]), at([80, 128])], 2.2 + k * 0.25);
  }
  block.gouge(
    'shell',
    [
      [36, 24],
      [54, 58],
      [70, 98],
    ],
    5,
  );
  block.gouge(
    'chalk',
    [
      [24, 26],
      [22, 58],
      [25, 84],
    ],
    3,
  );
  return block;
}
