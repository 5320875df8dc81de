import { Block, ellipse, polar, type P } from '../block.ts';

export function sandDollar(): Block {
  const block = new Block(127);
  const centre: P = [62, 62];
  block.shape('weld', ellipse(62, 62, 58, 55, 0, 16), 0.9);
  for (let k = 0; k < 5; k += 1) {
    const a = k * 72;
    block.shape(
      'chalk',
      [
        polar(centre, a, 44),
        polar(centre, a + 14, 36),
        polar(centre, a + 16, 20),
        polar(centre, a, 8),
        polar(centre, a - 16, 20),
        polar(centre, a - 14, 36),
      ],
      0.5,
    );
    for (const side of [-1, 1])
      for (const r of [18, 24, 30, 36])
        block.gouge('madder', [polar(centre, a + side * 2, r), polar(centre, a + side * 9, r + 2)], 2);
    block.gouge('chalk', [polar(centre, a + 36, 36), polar(centre, a + 36, 50)], 4);
  }
  block.pick('madder', centre, 4);
  return block;
}
