import type { PixelGrid } from '../lattice/index.ts';

/**
 * Copies a row of the plane out of the pixels of one cell: nothing is painted twice, so it cannot differ.
 *
 * @param cell tightly packed pixels of the cell, row after row
 * @param channels bytes per pixel
 * @param y whole pixel of the plane
 * @param left whole pixel of the plane
 * @param out takes `width` pixels from `at`, in bytes
 */
export function copyPlaneRow(
  cell: Uint8Array,
  { cell: { width, height }, lattice: { a, b, domain } }: PixelGrid,
  channels: number,
  { y, left, right }: { readonly y: number; readonly left: number; readonly right: number },
  out: Uint8Array,
  at: number,
): void {
  const j = domain.stacked === 'rows' ? Math.floor(y / height) : 0;
  const shift = j * b.x;
  for (let x = left, to = at; x < right;) {
    const i = Math.floor((x - shift) / width);
    const fromX = x - shift - i * width;
    const fromY = modulo(domain.stacked === 'columns' ? y - i * a.y : y, height);
    const count = Math.min(width - fromX, right - x);
    const from = (fromY * width + fromX) * channels;
    out.set(cell.subarray(from, from + count * channels), to);
    x += count;
    to += count * channels;
  }
}

/** The rows of the cell that a row of the plane is copied out of, each at least once. */
export function cellRowsOf(
  { cell: { width, height }, lattice: { a, domain } }: PixelGrid,
  { y, left, right }: { readonly y: number; readonly left: number; readonly right: number },
): number[] {
  if (domain.stacked === 'rows') return [modulo(y, height)];
  const first = Math.floor(left / width);
  return Array.from({ length: Math.ceil(right / width) - first }, (_, n) => modulo(y - (first + n) * a.y, height));
}

function modulo(n: number, of: number): number {
  return ((n % of) + of) % of;
}
