import { XmlError, type XmlElement } from './xmlTree.ts';

const SVG = 'http://www.w3.org/2000/svg';
/** Attributes of other vocabularies that a drawing means something by, whatever prefix its file gives them. */
const KEPT_PREFIXES = new Set(['xml']);

/**
 * Takes prefixes off: elements of SVG get their plain names, links become `href`, and what belongs to other vocabularies goes,
 * since nothing of it is ever seen. Elements without any namespace count as SVG: many files leave it out.
 *
 * @throws XmlError where the root is no SVG
 */
export function settleNames(root: XmlElement): void {
  const visit = (element: XmlElement, above: ReadonlyMap<string, string>): boolean => {
    const spaces = spacesOf(element, above);
    const [prefix, name] = split(element.name);
    const space = spaces.get(prefix);
    if (space === undefined ? prefix !== '' && prefix !== 'svg' : space !== SVG && space !== '') return false;
    element.name = name;
    element.attributes = settledAttributes(element.attributes);
    // What is in there is of another vocabulary on purpose.
    if (name !== 'foreignObject') element.children = element.children.filter((child) => visit(child, spaces));
    return true;
  };
  const [, name] = split(root.name);
  if (name !== 'svg') throw new XmlError(`it begins with <${root.name}> instead of <svg>`);
  if (!visit(root, new Map())) throw new XmlError(`its <${root.name}> is of another vocabulary than SVG`);
}

function spacesOf({ attributes }: XmlElement, above: ReadonlyMap<string, string>): ReadonlyMap<string, string> {
  let own: Map<string, string> | undefined;
  for (const key of Object.keys(attributes)) {
    if (key !== 'xmlns' && !key.startsWith('xmlns:')) continue;
    own ??= new Map(above);
    own.set(key.slice(6), (attributes[key] as string).trim());
  }
  return own ?? above;
}

function settledAttributes(attributes: Readonly<Record<string, string>>): Record<string, string> {
  const settled: Record<string, string> = {};
  for (const [key, value] of Object.entries(attributes)) {
    const [prefix, name] = split(key);
    if (key === 'xmlns' || prefix === 'xmlns') continue;
    if (prefix === '' || KEPT_PREFIXES.has(prefix)) settled[key] = value;
    // Where there are both, the plain one counts.
    else if (name === 'href') settled['href'] ??= value;
  }
  return settled;
}

function split(name: string): [prefix: string, name: string] {
  const colon = name.indexOf(':');
  return colon < 0 ? ['', name] : [name.slice(0, colon), name.slice(colon + 1)];
}
