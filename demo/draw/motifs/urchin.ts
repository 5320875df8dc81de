import { Block, ellipse, polar, type P } from '../block.ts';

export function urchin(): Block {
  const block = new Block(79);
  const centre: P = [80, 80];
  block.shape('madder', ellipse(80, 80, 74, 71, 0, 22), 1.1);
  for (let ray = 0; ray < 10; ray += 1) {
    const a = ray * 36 + 4;
    const wide = ray % 2 === 0;
    for (let k = 0; k < 6; k += 1) {
      const r = 17 + k * 9.6;
      const size = 1.3 + 2.3 * Math.sin((Math.PI * (k + 0.9)) / 7.2);
      for (const side of wide ? [-1, 1] : [0])
        block.pick(wide ? 'chalk' : 'shell', polar(centre, a + (side * 320) / (r + 22), r), size);
    }
  }
  block.shape('indigo', ellipse(80, 80, 10, 9)).pick('chalk', centre, 3.4);
  return block;
}
