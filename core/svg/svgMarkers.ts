import { own } from '../schema/index.ts';
import { elementsById, idIn } from './svgReferences.ts';
import type { Style, Styles } from './svgStyle.ts';
import { everyElement, type XmlElement } from './xmlTree.ts';

const ENDS = ['marker-start', 'marker-mid', 'marker-end'] as const;
const MARKED = new Set(['path', 'line', 'polyline', 'polygon']);
const PAINTS = ['fill', 'stroke'] as const;
/** What is handed down from element to element, of what matters here. */
const HANDED_DOWN = [...ENDS, ...PAINTS, 'color'] as const;

type Handed = Partial<Record<(typeof HANDED_DOWN)[number], string>>;

/**
 * Markers that take the colour of the line they are on (`context-stroke`, `context-fill`; SVG 2, section 13.2) become one marker for
 * each colour. Elsewhere there is nothing to take a colour from, so it is none.
 */
export function settleMarkers(root: XmlElement, styles: Styles): void {
  for (const style of styles.values()) {
    const marker = style.get('marker');
    if (marker === undefined) continue;
    for (const end of ENDS) if (!style.has(end)) style.set(end, marker);
    style.delete('marker');
  }
  const isContextual = (style: Style | undefined): boolean =>
    PAINTS.some((paint) => /^context-(?:fill|stroke)/.test(style?.get(paint) ?? ''));
  if (![...styles.values()].some(isContextual)) return;

  const byId = elementsById(root);
  const coloured = new Map<string, string>();
  const made: XmlElement[] = [];
  const markerFor = (id: string, handed: Handed): string => {
    const marker = byId.get(id);
    if (!marker || ![...everyElement(marker)].some((element) => isContextual(styles.get(element)))) return id;
    const [fill, stroke] = PAINTS.map((paint) => paintOf(handed, paint)) as [string, string];
    const key = JSON.stringify([id, fill, stroke]);
    const known = coloured.get(key);
    if (known !== undefined) return known;
    const name = `${id}-in-${coloured.size + 1}`;
    coloured.set(key, name);
    made.push(copyOf(marker, name, { 'context-fill': fill, 'context-stroke': stroke }, styles));
    return name;
  };

  const visit = (element: XmlElement, above: Handed): void => {
    const style = styles.get(element);
    const handed: Handed = { ...above };
    for (const name of HANDED_DOWN) {
      const own = style?.get(name);
      if (own !== undefined && own !== 'inherit') handed[name] = own;
    }
    for (const end of MARKED.has(element.name) ? ENDS : []) {
      const id = idIn(handed[end]);
      if (id === undefined) continue;
      const name = markerFor(id, handed);
      if (name !== id) style?.set(end, `url(#${name})`);
    }
    for (const child of element.children) visit(child, handed);
  };
  visit(root, {});
  for (const style of styles.values())
    for (const paint of PAINTS) if (/^context-/.test(style.get(paint) ?? '')) style.set(paint, 'none');
  root.children.push(...made);
}

function paintOf(handed: Handed, paint: 'fill' | 'stroke'): string {
  const value = handed[paint] ?? (paint === 'fill' ? '#000000' : 'none');
  if (/^context-/.test(value)) return 'none';
  return /^currentcolor$/i.test(value) ? (handed.color ?? '#000000') : value;
}

function copyOf(
  element: XmlElement,
  id: string | undefined,
  colours: Readonly<Record<string, string>>,
  styles: Styles,
): XmlElement {
  const { id: _own, ...attributes } = element.attributes;
  const copy: XmlElement = {
    ...element,
    attributes: id === undefined ? attributes : { ...attributes, id },
    children: element.children.map((child) => copyOf(child, undefined, colours, styles)),
  };
  const style: Style = new Map(styles.get(element));
  for (const paint of PAINTS) {
    const colour = own(colours, style.get(paint) ?? '');
    if (colour !== undefined) style.set(paint, colour);
  }
  styles.set(copy, style);
  return copy;
}
