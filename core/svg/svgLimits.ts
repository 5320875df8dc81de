import { type XmlElement, XmlError } from './xmlTree.ts';

/** Elements of a drawing, with what `use` repeats counted as often as it is drawn. */
export const MOST_ELEMENTS = 200_000;
/** How many references may lie behind each other: a clip of a pattern of a clip and so on. Real drawings need three or four. */
export const LONGEST_CHAIN = 40;
/** Numbers in all paths and lists of points. */
export const MOST_NUMBERS = 2_000_000;
/** Radius of a morphology, in user units: each pixel looks at the square of it. */
const WIDEST_MORPHOLOGY = 60;
const MOST_OCTAVES = 12;
/** Numbers in a convolution's kernel. */
const LARGEST_KERNEL = 15 * 15;

const REFERENCE = /url\(\s*['"]?#([^)'"]+)/g;

/**
 * Refuses a drawing that would take more time or memory than any real one before anything else looks at it: too many elements,
 * too long chains of references, too many points, or filters whose cost has no bound. References to itself are no chain: readers
 * leave those out.
 *
 * Takes time and memory in proportion to the tree.
 *
 * @throws XmlError whose message continues “it cannot be read: …”
 */
export function checkSvgLimits(root: XmlElement): void {
  const byId = new Map<string, XmlElement>();
  let numbers = 0;
  forEachElement(root, (element) => {
    const { id } = element.attributes;
    if (id !== undefined && !byId.has(id)) byId.set(id, element);
    numbers += countNumbers(element);
    if (numbers > MOST_NUMBERS)
      throw new XmlError(`its paths hold more than ${MOST_NUMBERS.toLocaleString('en')} numbers`);
    checkFilter(element);
  });
  const { chain, elements } = measure(root, byId);
  if (chain > LONGEST_CHAIN)
    throw new XmlError(`its references go through more than ${LONGEST_CHAIN} others one after the other`);
  if (elements > MOST_ELEMENTS)
    throw new XmlError(
      `it draws more than ${MOST_ELEMENTS.toLocaleString('en')} elements, with those that are repeated`,
    );
}

function forEachElement(root: XmlElement, see: (element: XmlElement) => void): void {
  const left = [root];
  for (let element = left.pop(); element; element = left.pop()) {
    see(element);
    left.push(...element.children);
  }
}

function countNumbers({ attributes: { d = '', points = '' } }: XmlElement): number {
  let count = 0;
  let inNumber = false;
  for (const text of [d, points]) {
    for (let i = 0; i < text.length; i += 1) {
      const code = text.charCodeAt(i);
      // Digits and the point; a sign begins another number.
      const isDigit = (code >= 48 && code <= 57) || code === 46;
      if (isDigit && !inNumber) count += 1;
      inNumber = isDigit;
    }
    inNumber = false;
  }
  return count;
}

function checkFilter({ name, attributes }: XmlElement): void {
  const numbersOf = (key: string): number[] => (attributes[key] ?? '').split(/[\s,]+/).map(Number);
  switch (name.slice(name.indexOf(':') + 1)) {
    case 'feMorphology':
      if (numbersOf('radius').some((radius) => radius > WIDEST_MORPHOLOGY))
        throw new XmlError(`it thickens or thins by more than ${WIDEST_MORPHOLOGY} (feMorphology)`);
      return;
    case 'feTurbulence':
      if (numbersOf('numOctaves').some((octaves) => octaves > MOST_OCTAVES))
        throw new XmlError(`its noise has more than ${MOST_OCTAVES} octaves (feTurbulence)`);
      return;
    case 'feConvolveMatrix': {
      const [columns = 3, rows = columns] = numbersOf('order');
      if (columns * rows > LARGEST_KERNEL)
        throw new XmlError('its convolution is larger than 15 × 15 (feConvolveMatrix)');
    }
  }
}

/** What an element leads to: references behind each other, and elements drawn in all. */
interface Reach {
  readonly chain: number;
  readonly elements: number;
}

/**
 * Without recursion, since chains are as long as whoever made the file likes: an element is measured when all that it holds and
 * refers to has been. An element that is still being measured when it is met again refers to itself and counts nothing.
 */
function measure(root: XmlElement, byId: ReadonlyMap<string, XmlElement>): Reach {
  const done = new Map<XmlElement, Reach>();
  const open = new Set<XmlElement>();
  const stack = [root];
  for (let element = stack.at(-1); element; element = stack.at(-1)) {
    if (done.has(element)) {
      stack.pop();
      continue;
    }
    const targets = targetsOf(element, byId);
    if (!open.has(element)) {
      open.add(element);
      const next = [...element.children, ...targets].filter((other) => !done.has(other) && !open.has(other));
      if (next.length > 0) {
        stack.push(...next);
        continue;
      }
    }
    let [chain, elements] = [0, 1];
    for (const child of element.children) {
      const reach = done.get(child);
      chain = Math.max(chain, reach?.chain ?? 0);
      elements += reach?.elements ?? 0;
    }
    for (const target of targets) {
      const reach = done.get(target);
      chain = Math.max(chain, 1 + (reach?.chain ?? 0));
      elements += reach?.elements ?? 0;
    }
    // Beyond any limit the exact count says nothing, and would grow out of numbers.
    done.set(element, { chain, elements: Math.min(elements, Number.MAX_SAFE_INTEGER / 2 ** 20) });
    open.delete(element);
    stack.pop();
  }
  return done.get(root) ?? { chain: 0, elements: 0 };
}

function targetsOf({ attributes }: XmlElement, byId: ReadonlyMap<string, XmlElement>): XmlElement[] {
  const targets: XmlElement[] = [];
  const add = (id: string | undefined): void => {
    const target = id === undefined ? undefined : byId.get(id);
    if (target) targets.push(target);
  };
  for (const [key, value] of Object.entries(attributes)) {
    if (/(^|:)href$/i.test(key)) {
      if (value.startsWith('#')) add(value.slice(1));
    } else if (value.includes('url(')) for (const [, id] of value.matchAll(REFERENCE)) add(id);
  }
  return targets;
}
