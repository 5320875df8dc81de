import { SaxesParser } from 'saxes';

/** An element of a parsed XML file. A tree belongs to whoever parsed it, and is changed step by step until it can be drawn. */
export interface XmlElement {
  name: string;
  attributes: Record<string, string>;
  children: XmlElement[];
  text: string;
}

/** Thrown when a file is no XML that we take; the message is a sentence. */
export class XmlError extends Error {}

/** Deeper than any drawing is, and shallow enough that no reader of the tree runs out of stack. */
const DEEPEST = 200;
/** Entities are only used as shorthand for addresses; anything longer or nested is an attempt to swell the file. */
const LONGEST_ENTITY = 1000;
/** Characters of the tree, with its entities put in: more than a file may have, so that only entities reach it. */
const MOST_CHARACTERS = 12 * 1024 * 1024;
const LETTERING = /^(.*:|)(?:text|tspan|textPath|a)$/;
const ENTITY = /<!ENTITY\s+([\w.-]+)\s+(?:"([^"]*)"|'([^']*)')\s*>/g;

/**
 * Parses XML into a tree; comments, instructions and the document type are dropped.
 *
 * @throws XmlError where the text is not well-formed, nests too deeply or hides entities in entities
 */
export function parseXml(text: string): XmlElement {
  const parser = new SaxesParser();
  const stack: XmlElement[] = [];
  let root: XmlElement | undefined;
  parser.on('error', (error) => {
    throw new XmlError(`it is not well-formed (${error.message.replace(/^\d+:\d+: /, '').replace(/\.$/, '')})`);
  });
  parser.on('doctype', (doctype) => {
    for (const [, name, double, single] of doctype.matchAll(ENTITY)) {
      const value = double ?? single ?? '';
      if (value.length > LONGEST_ENTITY || value.includes('&'))
        throw new XmlError('its entities are nested or too long');
      parser.ENTITIES[name as string] = value;
    }
  });
  let characters = 0;
  const count = (piece: string): void => {
    characters += piece.length;
    if (characters > MOST_CHARACTERS)
      throw new XmlError(text.includes('<!ENTITY') ? 'its entities swell it beyond 12 MB' : 'it holds more than 12 MB');
  };
  parser.on('opentag', ({ name, attributes }) => {
    for (const value of Object.values(attributes)) count(value);
    if (stack.length >= DEEPEST) throw new XmlError(`it nests more than ${DEEPEST} elements deep`);
    const element: XmlElement = { name, attributes: attributes, children: [], text: '' };
    stack.at(-1)?.children.push(element);
    root ??= element;
    stack.push(element);
  });
  parser.on('closetag', () => {
    stack.pop();
  });
  const addText = (piece: string): void => {
    count(piece);
    const top = stack.at(-1);
    if (!top) return;
    // What comes after another element stays behind it: letters are read in their order.
    if (top.children.length > 0 && LETTERING.test(top.name))
      top.children.push({ name: top.name.replace(LETTERING, '$1tspan'), attributes: {}, children: [], text: piece });
    else top.text += piece;
  };
  parser.on('text', addText);
  parser.on('cdata', addText);
  parser.write(text).close();
  if (!root) throw new XmlError('it holds no element');
  return root;
}

/** Every element below and including this one, parents before children. */
export function* everyElement(root: XmlElement): Generator<XmlElement> {
  const left = [root];
  for (let element = left.pop(); element; element = left.pop()) {
    yield element;
    for (let i = element.children.length - 1; i >= 0; i -= 1) left.push(element.children[i] as XmlElement);
  }
}

const ESCAPES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

function escape(text: string): string {
  return text.replace(/[&<>"]/g, (c) => ESCAPES[c] as string);
}

/** The tree as XML text. An element's own text comes before its children. */
export function writeXml({ name, attributes, children, text }: XmlElement): string {
  const list = Object.entries(attributes).map(([key, value]) => ` ${key}="${escape(value)}"`);
  const inner = escape(text) + children.map(writeXml).join('');
  return inner ? `<${name}${list.join('')}>${inner}</${name}>` : `<${name}${list.join('')}/>`;
}
