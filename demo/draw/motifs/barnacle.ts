import { Block, polar, type P } from '../block.ts';

export function barnacle(): Block {
  const block = new Block(113);
  const centre: P = [46, 46];
  block.shape(
    'indigo',
    Array.from({ length: 18 }, (_, k): P => polar(centre, k * 20, k % 2 ? 39 : 46 + block.between(-2, 2))),
    0.9,
  );
  for (let k = 0; k < 7; k += 1) {
    const a = k * 51.4 + 12;
    const wide = block.between(15, 20);
    block.corners(
      'chalk',
      [
        polar(centre, a - wide, 36),
        polar(centre, a + wide, 35),
        polar(centre, a + wide * 0.8, 19),
        polar(centre, a - wide * 0.8, 20),
      ],
      0.8,
    );
    for (const off of [-6, 7]) block.gouge('indigo', [polar(centre, a + off, 24), polar(centre, a + off, 36)], 1.9);
  }
  // The shut mouth of the shell.
  block.shape(
    'shell',
    [polar(centre, 20, 14), polar(centre, 100, 11), polar(centre, 190, 14), polar(centre, 280, 11)],
    0.5,
  );
  block.gouge(
    'indigo',
    [
      [50, 33],
      [44, 42],
      [49, 49],
      [43, 59],
    ],
    2.6,
  );
  return block;
}
