import type { Hex } from '../../core/colour/index.ts';

/** The colour that a canvas or a picture shows at a place of the window, CSS px; undefined where none is seen there. */
export function colourAt(x: number, y: number): Hex | undefined {
  for (const element of document.elementsFromPoint(x, y)) {
    const found =
      element instanceof HTMLCanvasElement
        ? pixelOf(element, element, boxOf(element, element), x, y)
        : element instanceof HTMLImageElement && element.complete
          ? pixelOf(element, { width: element.naturalWidth, height: element.naturalHeight }, pictureBox(element), x, y)
          : undefined;
    if (found) return found;
  }
  return undefined;
}

interface Size {
  readonly width: number;
  readonly height: number;
}

/** What an element shows its own pixels in, CSS px of the window. */
function boxOf(element: Element, { width, height }: Size): DOMRect {
  const rect = element.getBoundingClientRect();
  return width > 0 && height > 0 ? rect : new DOMRect();
}

/** Where a picture that is fitted into its element lies in it. */
function pictureBox(element: HTMLImageElement): DOMRect {
  const rect = boxOf(element, { width: element.naturalWidth, height: element.naturalHeight });
  if (getComputedStyle(element).objectFit !== 'contain') return rect;
  const scale = Math.min(rect.width / element.naturalWidth, rect.height / element.naturalHeight);
  const [width, height] = [element.naturalWidth * scale, element.naturalHeight * scale];
  return new DOMRect(rect.x + (rect.width - width) / 2, rect.y + (rect.height - height) / 2, width, height);
}

/** One pixel of what is shown in a box; undefined beside it, and where nothing covers it. */
function pixelOf(
  source: HTMLCanvasElement | HTMLImageElement,
  { width, height }: Size,
  box: DOMRect,
  x: number,
  y: number,
): Hex | undefined {
  const [column, row] = [
    Math.floor(((x - box.x) / box.width) * width),
    Math.floor(((y - box.y) / box.height) * height),
  ];
  if (!(column >= 0 && column < width && row >= 0 && row < height)) return undefined;
  const context = new OffscreenCanvas(1, 1).getContext('2d');
  if (!context) throw new Error('this browser gives no 2D canvas');
  context.drawImage(source, column, row, 1, 1, 0, 0, 1, 1);
  const [r = 0, g = 0, b = 0, alpha = 0] = context.getImageData(0, 0, 1, 1).data;
  if (alpha < 128) return undefined;
  return `#${((r << 16) | (g << 8) | b).toString(16).padStart(6, '0')}`;
}
