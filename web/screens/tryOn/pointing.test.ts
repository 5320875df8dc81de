import { describe, expect, it } from 'vitest';
import type { Piece, PieceMap, Product } from '../../../core/tryon/index.ts';
import { clothPointAt, isMirrored, pointOnPiece, sceneOf } from './pointing.ts';

const piece = (id: string, face: Piece['face']): Piece => ({ id, name: id, face, grain: 0, datum: { x: 0, y: 0 } });
const LEFT = piece('left', { kind: 'flat', x: 10, y: 20, unit: 2, rotation: 0 });
const RIGHT = piece('right', {
  kind: 'plane',
  // As a turned-over corner is: its cloth is seen from behind.
  corners: [
    { x: 90, y: 10 },
    { x: 60, y: 10 },
    { x: 60, y: 40 },
    { x: 90, y: 40 },
  ],
  width: 300,
  height: 300,
});
const PRODUCT: Product = {
  version: 1,
  id: 'p',
  name: 'P',
  group: 'own',
  size: '',
  width: 100,
  height: 50,
  backdrop: '#ffffff',
  pieces: [LEFT, RIGHT],
};
// Half as large as the scene: the left piece in its left half, the right one from 30 on.
const map: PieceMap = {
  width: 50,
  height: 25,
  top: Uint8Array.from({ length: 50 * 25 }, (_, i) => (i % 50 < 20 ? 1 : i % 50 >= 30 ? 2 : 0)),
  extents: [],
};

describe('pointing at a product', () => {
  it('finds the piece on top, and where on its cloth that is', () => {
    expect(clothPointAt(PRODUCT, map, { x: 30, y: 25 })).toEqual({ piece: 'left', u: 40, v: 10 });
    const there = clothPointAt(PRODUCT, map, { x: 75, y: 25 });
    expect(there?.piece).toBe('right');
    expect(there?.u).toBeCloseTo(150, 9);
    expect(there?.v).toBeCloseTo(150, 9);
  });

  it('finds nothing beside the pieces, and beside the picture', () => {
    for (const [x, y] of [
      [50, 25],
      [-1, 25],
      [101, 25],
      [30, -1],
      [30, 51],
    ] as const)
      expect(clothPointAt(PRODUCT, map, { x, y })).toBeUndefined();
  });

  it('comes back to the point of the scene', () => {
    const point = pointOnPiece(RIGHT, { x: 70, y: 15 });
    const seen = point && sceneOf(RIGHT, point);
    expect(seen?.x).toBeCloseTo(70, 9);
    expect(seen?.y).toBeCloseTo(15, 9);
  });

  it('tells cloth that is seen from behind, which turns the other way', () => {
    expect(isMirrored(LEFT, { u: 5, v: 5 })).toBe(false);
    expect(isMirrored(RIGHT, { u: 150, v: 150 })).toBe(true);
  });
});
