import type { XmlElement } from './xmlTree.ts';
import { svgLengthPx } from './svgSize.ts';

/**
 * Gives the root both its sizes where it has one and a view box, in px; sizes that are none go. A file often gives its width alone,
 * or its height, and readers differ in what they make of that.
 */
export function settlePage(root: XmlElement): void {
  const { width, height, viewBox, ...others } = root.attributes;
  let [across, down] = [svgLengthPx(width), svgLengthPx(height)];
  const [, , boxWidth = 0, boxHeight = 0] = (viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const hasBox = viewBox !== undefined && boxWidth > 0 && boxHeight > 0;
  if (hasBox) {
    if (across !== undefined) down ??= (across * boxHeight) / boxWidth;
    else if (down !== undefined) across = (down * boxWidth) / boxHeight;
  }
  root.attributes = {
    ...others,
    ...(across !== undefined && { width: String(across) }),
    ...(down !== undefined && { height: String(down) }),
    ...(hasBox && { viewBox }),
  };
}
