import type { Face, ProductGroup } from '../../core/tryon/index.ts';
import type { P } from '../../demo/draw/block.ts';
import { Scene } from './scene.ts';

export const [WIDE, HIGH] = [1200, 900];

export function newScene(id: string, name: string, group: ProductGroup, size: string, seed: number): Scene {
  return new Scene({ id, name, group, size, width: WIDE, height: HIGH }, seed);
}

export const rectangle = (x: number, y: number, width: number, height: number): P[] => [
  [x, y],
  [x + width, y],
  [x + width, y + height],
  [x, y + height],
];

/** A face that lies flat, its cloth's (0, 0) at a point. @param unit mm to a unit of the scene */
export const flatAt = (x: number, y: number, unit: number, rotation = 0): Face => ({
  kind: 'flat',
  x: Number(x.toFixed(4)),
  y: Number(y.toFixed(4)),
  unit,
  rotation,
});

/** A table from a height of the picture downwards. */
export function table(scene: Scene, y: number): void {
  scene.cut('under', 'linen', rectangle(-4, y, WIDE + 8, HIGH - y + 4));
  scene.strip(
    'under',
    'indigo',
    [
      [-10, y],
      [WIDE + 10, y],
    ],
    2,
    0.25,
  );
}
