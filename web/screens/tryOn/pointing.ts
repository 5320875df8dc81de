import type { Point } from '../../../core/geometry/index.ts';
import { faceMap, type Piece, type PieceMap, type Product } from '../../../core/tryon/index.ts';

/** A point of a piece's cloth. */
export interface ClothPoint {
  readonly piece: string;
  /** mm. */
  readonly u: number;
  readonly v: number;
}

/** The piece that is seen at a point of the scene, and where on its cloth that is; undefined beside all pieces. */
export function clothPointAt(product: Product, map: PieceMap, at: Point): ClothPoint | undefined {
  const scale = map.width / product.width;
  const [x, y] = [Math.floor(at.x * scale), Math.floor(at.y * scale)];
  if (x < 0 || y < 0 || x >= map.width || y >= map.height) return undefined;
  const piece = product.pieces[(map.top[y * map.width + x] ?? 0) - 1];
  return piece && pointOnPiece(piece, at);
}

/** Where on a piece's cloth a point of the scene is, even where another piece lies over it. */
export function pointOnPiece(piece: Piece, { x, y }: Point): ClothPoint | undefined {
  const out = new Float64Array(2);
  if (!faceMap(piece.face).toCloth(x, y, out)) return undefined;
  return { piece: piece.id, u: out[0] as number, v: out[1] as number };
}

/** Where in the scene a point of a piece's cloth is seen. */
export function sceneOf(piece: Piece, { u, v }: Pick<ClothPoint, 'u' | 'v'>): Point {
  return faceMap(piece.face).toScene(u, v);
}

/** Whether the cloth of a piece is seen in a mirror, so that it turns the other way on the screen. */
export function isMirrored(piece: Piece, { u, v }: Pick<ClothPoint, 'u' | 'v'>): boolean {
  const { toScene } = faceMap(piece.face);
  const [o, a, b] = [toScene(u, v), toScene(u + 1, v), toScene(u, v + 1)];
  return (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x) < 0;
}
