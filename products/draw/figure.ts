import type { P } from '../../demo/draw/block.ts';
import type { Scene } from './scene.ts';

/** A plain cut-out of a person without a face: what wears things. */
export function figure(scene: Scene, x: (mm: number) => number, y: (mm: number) => number): void {
  const skin = (points: readonly P[]): void =>
    void scene.shape(
      'under',
      'shell',
      points.map(([a, b]): P => [x(a), y(b)]),
    );
  skin([
    [-56, -110],
    [56, -110],
    [62, -30],
    [150, 0],
    [176, 60],
    [160, 200],
    [-160, 200],
    [-176, 60],
    [-150, 0],
    [-62, -30],
  ]);
  for (const sign of [-1, 1]) {
    skin(
      [
        [140, -2],
        [206, 40],
        [250, 220],
        [280, 420],
        [292, 560],
        [250, 570],
        [226, 430],
        [190, 250],
        [150, 120],
      ].map(([a, b]): P => [sign * (a ?? 0), b ?? 0]),
    );
    skin(
      [
        [52, 800],
        [220, 800],
        [204, 1000],
        [88, 1000],
      ].map(([a, b]): P => [sign * (a ?? 0), b ?? 0]),
    );
  }
}
