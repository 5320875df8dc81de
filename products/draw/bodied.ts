import type { Face } from '../../core/tryon/index.ts';
import { type P } from '../../demo/draw/block.ts';

/** Cloth that hangs over a body: narrower towards its sides, where it turns away. */
export function bodied(at: (u: number, v: number) => P, width: number, height: number, across = 7, down = 5): Face {
  const points = Array.from({ length: across * down }, (_, n) => {
    const [i, j] = [n % across, Math.floor(n / across)];
    const side = (2 * i) / (across - 1) - 1;
    const [x, y] = at(Math.sin(side * 1.05) / Math.sin(1.05), j / (down - 1));
    return { x: Number(x.toFixed(2)), y: Number(y.toFixed(2)) };
  });
  return { kind: 'mesh', columns: across, rows: down, points, width, height };
}
