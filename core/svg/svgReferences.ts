import type { Styles } from './svgStyle.ts';
import { everyElement, type XmlElement } from './xmlTree.ts';

const IN_STYLE = /url\(\s*['"]?#([^)'"]+?)['"]?\s*\)/;
/** Where there is nothing of that name, these count as not being there. A paint then is none, which readers know. */
const EFFECTS = ['clip-path', 'mask', 'filter', 'marker-start', 'marker-mid', 'marker-end'];
const REFERRING = [...EFFECTS, 'fill', 'stroke'];

/** Every element with an id, the first of each. */
export function elementsById(root: XmlElement): Map<string, XmlElement> {
  const byId = new Map<string, XmlElement>();
  for (const element of everyElement(root)) {
    const { id } = element.attributes;
    if (id !== undefined && !byId.has(id)) byId.set(id, element);
  }
  return byId;
}

/** The id that a property's value refers to, if any. */
export function idIn(value: string | undefined): string | undefined {
  return value === undefined ? undefined : IN_STYLE.exec(value)?.[1];
}

/**
 * Takes away references that lead outside the file, to nothing, or back to where they are from; all else is drawn then.
 * Pictures are left to whoever opens them.
 *
 * @returns phrases for what would have been seen
 */
export function settleReferences(root: XmlElement, styles: Styles): Set<string> {
  const left = new Set<string>();
  const byId = elementsById(root);
  for (const element of everyElement(root)) {
    const { href } = element.attributes;
    if (href !== undefined && element.name !== 'image') {
      const id = href.trim();
      if (id.startsWith('#') && byId.has(id.slice(1)) && element.name !== 'a') element.attributes['href'] = id;
      else {
        delete element.attributes['href'];
        if (element.name === 'use' && !id.startsWith('#')) left.add('a link to another file');
      }
    }
    const style = styles.get(element);
    if (!style) continue;
    for (const name of EFFECTS) {
      const id = idIn(style.get(name));
      if (id !== undefined && !byId.has(id)) style.delete(name);
    }
  }
  breakCircles(root, byId, styles);
  return left;
}

/** A reference in an element, and how it is taken away. */
interface Reference {
  readonly target: XmlElement;
  readonly remove: () => void;
}

/** Goes through everything once, depth first, and takes away each reference to something that is being gone through. */
function breakCircles(root: XmlElement, byId: ReadonlyMap<string, XmlElement>, styles: Styles): void {
  const done = new Set<XmlElement>();
  const open = new Set<XmlElement>();
  // Without recursion: chains are as long as whoever made the file likes.
  const stack: { element: XmlElement; next: XmlElement[] }[] = [];
  const enter = (element: XmlElement): void => {
    open.add(element);
    const next = [...element.children];
    for (const { target, remove } of referencesOf(element, byId, styles)) {
      if (open.has(target)) remove();
      else next.push(target);
    }
    stack.push({ element, next });
  };
  enter(root);
  for (let top = stack.at(-1); top; top = stack.at(-1)) {
    const next = top.next.pop();
    if (!next) {
      open.delete(top.element);
      done.add(top.element);
      stack.pop();
    } else if (!done.has(next) && !open.has(next)) enter(next);
  }
}

function referencesOf(element: XmlElement, byId: ReadonlyMap<string, XmlElement>, styles: Styles): Reference[] {
  const found: Reference[] = [];
  const { href } = element.attributes;
  const linked = href?.startsWith('#') === true ? byId.get(href.slice(1)) : undefined;
  if (linked) found.push({ target: linked, remove: () => delete element.attributes['href'] });
  const style = styles.get(element);
  for (const name of style ? REFERRING : []) {
    const id = idIn(style?.get(name));
    const target = id === undefined ? undefined : byId.get(id);
    if (target && style)
      found.push({
        target,
        remove: () => {
          if (name === 'fill' || name === 'stroke') style.set(name, 'none');
          else style.delete(name);
        },
      });
  }
  return found;
}
