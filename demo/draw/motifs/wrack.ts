import { Block, polar, type P } from '../block.ts';

/** A frond that forks until it is too short to. */
function frond(block: Block, root: P, angle: number, length: number): void {
  const middle = polar(root, angle + 5, length * 0.55);
  const tip = polar(middle, angle - 6, length * 0.5);
  block.strip('kelp', [root, middle, tip], (t) => 8.5 - 1.5 * t + 3 * Math.sin(Math.PI * t));
  block.gouge('chalk', [polar(root, angle, length * 0.12), middle, polar(tip, angle, -4)], 1.9);
  if (length < 30) {
    block.shape('weld', [
      polar(tip, angle, 17),
      polar(tip, angle + 52, 8.5),
      polar(tip, angle + 150, 6),
      polar(tip, angle - 150, 6),
      polar(tip, angle - 52, 8.5),
    ]);
    block.gouge('chalk', [polar(tip, angle - 60, 3), polar(tip, angle - 18, 9)], 2);
    return;
  }
  for (const fork of [-26, 27]) frond(block, polar(tip, angle, -3), angle + fork, length * 0.77);
}

export function wrack(): Block {
  const block = new Block(89);
  frond(block, [100, 210], -3, 58);
  return block;
}
