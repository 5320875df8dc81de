import { compose, type Matrix } from '../geometry/index.ts';
import { type Artwork, type ArtworkNode, outlineBounds, type PathNode } from '../motif/index.ts';
import { formatNumber } from '../units/index.ts';
import { MOST_PIECES, type Product } from './product.ts';
import type { ProductDrawing } from './stage.ts';

/** A product with its drawing. */
export interface DrawnProduct {
  readonly product: Product;
  readonly drawing: ProductDrawing;
}

/** Units of the longer side of a scene that is made here, and what of it is left free around a drawing, as a share. */
export const SCENE_SIDE = 1000;
const ROOM = 0.06;
const BACKDROP = '#ebe6da';

/** Units of a scene for each mm of what has no margin: pixels of a screen, as CSS counts them, so that a banner has its own. */
const UNITS_PER_MM = 96 / 25.4;
/** The longest side of a scene, units. */
const MOST_UNITS = 1e5;

/**
 * Makes a product of a drawing: every closed shape is a piece of cloth that lies flat, and lines, open paths and pictures lie on top.
 * There is room around it, but for a rectangle alone: a page or a screen is nothing but its cloth.
 *
 * @param widthMm of what is drawn
 * @throws RangeError with a sentence where no shape is closed
 */
export function outlineProduct(id: string, name: string, artwork: Artwork, widthMm: number): DrawnProduct {
  const { view, nodes } = artwork;
  const room = isPage(artwork) ? 0 : ROOM;
  const longest = (widthMm * Math.max(view.width, view.height)) / view.width;
  const side = room === 0 ? Math.min(MOST_UNITS, longest * UNITS_PER_MM) : SCENE_SIDE;
  const scale = (side * (1 - 2 * room)) / Math.max(view.width, view.height);
  const margin = side * room;
  const placed: Matrix = [scale, 0, 0, scale, margin - view.x * scale, margin - view.y * scale];
  const found: Found[] = [];
  collect(nodes, placed, found);
  const closed = found.filter(({ node }) => node.kind === 'path' && isClosed(node));
  if (closed.length === 0)
    throw new RangeError('It has no closed outline that cloth could fill. Close its paths, or give its shapes a fill.');
  const pieces = new Set([...closed].sort((a, b) => areaOf(b) - areaOf(a)).slice(0, MOST_PIECES));
  const scene = { x: 0, y: 0, width: view.width * scale + 2 * margin, height: view.height * scale + 2 * margin };
  const layer = (children: readonly ArtworkNode[]): Artwork => ({ version: 1, view: scene, nodes: [...children] });
  const unit = widthMm / (view.width * scale);
  const datum = { x: (scene.width / 2) * unit, y: (scene.height / 2) * unit };
  const outlines: { id: string; artwork: Artwork }[] = [];
  const over: ArtworkNode[] = [];
  for (const one of found) {
    const { node, matrix } = one;
    if (!pieces.has(one) || node.kind !== 'path') {
      over.push(inScene(node, matrix));
      continue;
    }
    const fill = { kind: 'ink', ink: '#000000', opacity: 1 } as const;
    outlines.push({
      id: `piece-${outlines.length + 1}`,
      artwork: layer([inScene({ ...node, fill, stroke: undefined }, matrix)]),
    });
    if (node.stroke) over.push(inScene({ ...node, fill: undefined }, matrix));
  }
  const product: Product = {
    version: 1,
    id,
    name,
    group: 'own',
    size: sizeText(view.width * scale * unit, view.height * scale * unit),
    width: scene.width,
    height: scene.height,
    margin,
    backdrop: BACKDROP,
    pieces: outlines.map((outline, n) => ({
      id: outline.id,
      name: outlines.length === 1 ? name : `Piece ${n + 1}`,
      face: { kind: 'flat', x: 0, y: 0, unit, rotation: 0 },
      grain: 0,
      datum,
    })),
  };
  return { product, drawing: { under: layer([]), light: layer([]), over: layer(over), outlines } };
}

/** How large what is drawn of such a product is, mm; undefined of one that does not lie flat. */
export function drawnSize({
  width,
  height,
  pieces,
  margin = SCENE_SIDE * ROOM,
}: Product): { readonly width: number; readonly height: number } | undefined {
  const [face] = pieces.flatMap((piece) => (piece.face.kind === 'flat' ? [piece.face] : []));
  const drawn = (side: number): number => (side - 2 * margin) * (face?.unit ?? 0);
  return face && { width: drawn(width), height: drawn(height) };
}

/** The same product at another size: what is drawn is so many times as large. Patterns keep their own size on it. */
export function resized(product: Product, by: number): Product {
  const drawn = drawnSize(product);
  return {
    ...product,
    ...(drawn && { size: sizeText(drawn.width * by, drawn.height * by) }),
    pieces: product.pieces.map((piece) => {
      const { face, datum } = piece;
      const moved = { x: datum.x * by, y: datum.y * by };
      return face.kind === 'flat' ? { ...piece, datum: moved, face: { ...face, unit: face.unit * by } } : piece;
    }),
  };
}

const sizeText = (width: number, height: number): string => `${formatNumber(width, 1)} × ${formatNumber(height, 1)} mm`;

interface Found {
  readonly node: ArtworkNode;
  /** From its own units to the scene's. */
  readonly matrix: Matrix;
}

/** Every path and picture, bottom to top, without the groups around it. */
function collect(nodes: readonly ArtworkNode[], matrix: Matrix, found: Found[]): void {
  for (const node of nodes) {
    if (node.kind === 'group') collect(node.children, compose(matrix, node.matrix), found);
    else found.push({ node, matrix });
  }
}

/** Whether an artwork is one upright rectangle that fills its view. */
function isPage({ view, nodes }: Artwork): boolean {
  const found: Found[] = [];
  collect(nodes, [1, 0, 0, 1, 0, 0], found);
  const [one] = found;
  if (!one || found.length > 1 || one.node.kind !== 'path' || !/^[MLZ\d\s.,e+-]*$/i.test(one.node.path)) return false;
  const { path } = one.node;
  const numbers = (path.match(NUMBERS) ?? []).map(Number);
  if (!isClosed(one.node) || one.node.stroke || path.lastIndexOf('M') > 0) return false;
  const box = outlineBounds([one.node], one.matrix);
  const [a, b, c, d] = one.matrix;
  // Each corner is one of the view's, whatever turns it there by quarters.
  const isUpright = (b === 0 && c === 0) || (a === 0 && d === 0);
  const slack = 1e-6 * Math.max(view.width, view.height);
  const isNear = (p: number, q: number): boolean => Math.abs(p - q) <= slack;
  return (
    isUpright &&
    box !== undefined &&
    isNear(box.left, view.x) &&
    isNear(box.top, view.y) &&
    isNear(box.right, view.x + view.width) &&
    isNear(box.bottom, view.y + view.height) &&
    Math.abs((polygonArea(numbers) * Math.abs(a * d - b * c)) / (view.width * view.height) - 1) < 1e-6
  );
}

/** The area of a polygon of x and y in turn (shoelace formula). */
function polygonArea(numbers: readonly number[]): number {
  let twice = 0;
  for (let n = 0; n < numbers.length; n += 2) {
    const at = (k: number): number => numbers[k % numbers.length] as number;
    twice += at(n) * at(n + 3) - at(n + 2) * at(n + 1);
  }
  return Math.abs(twice) / 2;
}

const NUMBERS = /-?[\d.]+(?:e[-+]?\d+)?/gi;

/** Whether a path encloses something: its fill closes it, or each part of it ends where it began. */
function isClosed({ path, fill }: PathNode): boolean {
  if (fill) return true;
  const parts = path.split('M').filter((part) => part.trim() !== '');
  return parts.length > 0 && parts.every((part) => part.trim().endsWith('Z') || endsWhereItBegan(part));
}

function endsWhereItBegan(part: string): boolean {
  const numbers = (part.match(NUMBERS) ?? []).map(Number);
  const [x = 0, y = 0] = numbers;
  const [endX = 0, endY = 0] = numbers.slice(-2);
  return numbers.length > 4 && Math.hypot(endX - x, endY - y) < 1e-6 * (1 + Math.hypot(x, y));
}

function areaOf({ node, matrix }: Found): number {
  const box = outlineBounds([node], matrix);
  return box ? (box.right - box.left) * (box.bottom - box.top) : 0;
}

function inScene(node: ArtworkNode, matrix: Matrix): ArtworkNode {
  return { kind: 'group', matrix, opacity: 1, children: [node] };
}
