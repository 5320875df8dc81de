import type { Styles } from './svgStyle.ts';
import { everyElement, type XmlElement } from './xmlTree.ts';

/** What a `data:` address within a drawing holds. */
export type Embedded =
  | { readonly kind: 'picture'; readonly url: string }
  /** A drawing that is clean already. */
  | { readonly kind: 'drawing'; readonly root: XmlElement };

/** The `data:` addresses of a drawing's pictures, each once. */
export function embeddedAddresses(root: XmlElement): string[] {
  const addresses = new Set<string>();
  for (const { name, attributes } of everyElement(root)) {
    const href = attributes['href']?.trim();
    if ((name === 'image' || name === 'feImage') && href !== undefined && /^data:/i.test(href)) addresses.add(href);
  }
  return [...addresses];
}

/**
 * Gives each picture what its address holds; a drawing within the drawing takes the picture's place as part of it.
 *
 * @returns phrases for pictures that had to be left out
 */
export function settlePictures(root: XmlElement, styles: Styles, embedded: ReadonlyMap<string, Embedded>): Set<string> {
  const left = new Set<string>();
  let count = 0;
  for (const element of everyElement(root)) {
    if (element.name !== 'image' && element.name !== 'feImage') continue;
    const href = element.attributes['href']?.trim() ?? '';
    const held = embedded.get(href);
    if (held?.kind === 'picture') element.attributes['href'] = held.url;
    else {
      delete element.attributes['href'];
      if (held) {
        count += 1;
        takePlace(element, held.root, `e${count}-`);
        styles.get(element)?.set('overflow', 'hidden');
      } else if (/^data:/i.test(href)) left.add('a damaged picture');
      else if (href !== '' && !href.startsWith('#')) left.add('a linked picture');
    }
  }
  return left;
}

/** Turns an `image` into a viewport that shows the drawing. */
function takePlace(image: XmlElement, drawing: XmlElement, prefix: string): void {
  const { width, height, viewBox } = drawing.attributes;
  const size = viewBox ?? `0 0 ${Number.parseFloat(width ?? '') || 100} ${Number.parseFloat(height ?? '') || 100}`;
  const [, , w = '100', h = '100'] = size.trim().split(/[\s,]+/);
  image.name = 'svg';
  image.attributes = { width: w, height: h, ...image.attributes, viewBox: size };
  image.children = drawing.children.map((child) => withPrefix(child, prefix));
}

/** A copy whose names cannot be mistaken for those of the drawing around it. */
function withPrefix(element: XmlElement, prefix: string): XmlElement {
  const attributes: Record<string, string> = {};
  for (const [key, value] of Object.entries(element.attributes)) {
    if (key === 'id') attributes[key] = prefix + value;
    else if (key === 'href' && value.startsWith('#')) attributes[key] = `#${prefix}${value.slice(1)}`;
    else attributes[key] = key === 'style' ? value.replace(/url\(\s*(['"]?)#/g, `url($1#${prefix}`) : value;
  }
  return { ...element, attributes, children: element.children.map((child) => withPrefix(child, prefix)) };
}
