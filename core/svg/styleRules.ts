import { compile } from 'css-select';
import { type CssNode, generate, type List, parse, type Selector } from 'css-tree';
import { type Declaration, readDeclarations } from './declarations.ts';
import { everyElement, type XmlElement, XmlError } from './xmlTree.ts';

/** Selectors of a drawing's sheets: real files have some hundreds. */
const MOST_SELECTORS = 5000;

/** What a sheet says of the elements that one selector picks. */
export interface StyleRule {
  readonly declarations: readonly Declaration[];
  readonly matches: (element: XmlElement) => boolean;
  /** Ids, classes and types of the selector, as one number by which rules are ordered. */
  readonly specificity: number;
  readonly order: number;
}

/** The rules of all sheets in a drawing. */
export class StyleRules {
  /** By what the element itself must be, so that most rules are never tried: `.class`, `#id`, a type, or `*`. */
  readonly #byKey = new Map<string, StyleRule[]>();
  readonly #parents = new Map<XmlElement, XmlElement>();
  #count = 0;

  /** @throws XmlError where there are more rules than any drawing has */
  constructor(root: XmlElement) {
    const sheets = [...everyElement(root)].filter(({ name }) => name === 'style');
    if (sheets.length === 0) return;
    for (const element of everyElement(root)) for (const child of element.children) this.#parents.set(child, element);
    for (const { text, attributes } of sheets) {
      const isCss = /^\s*(?:text\/css)?\s*$/i.test(attributes['type'] ?? '');
      if (!isCss || !isForScreens(attributes['media'] ?? '')) continue;
      const sheet = parse(text, { parseValue: false });
      if (sheet.type === 'StyleSheet') this.#addAll(sheet.children);
    }
  }

  /** The rules that pick an element, those that count most last. */
  of(element: XmlElement): StyleRule[] {
    if (this.#count === 0) return [];
    const { class: classes = '', id } = element.attributes;
    const keys = ['*', element.name, ...classes.split(/\s+/).map((name) => `.${name}`), `#${id}`];
    return keys
      .flatMap((key) => this.#byKey.get(key) ?? [])
      .filter(({ matches }) => matches(element))
      .sort((a, b) => a.specificity - b.specificity || a.order - b.order);
  }

  #addAll(nodes: List<CssNode>): void {
    nodes.forEach((node) => {
      if (node.type === 'Rule' && node.prelude.type === 'SelectorList') {
        const declarations = readDeclarations(node.block.children);
        node.prelude.children.forEach((selector) => {
          if (selector.type === 'Selector') this.#add(selector, declarations);
        });
      } else if (node.type === 'Atrule' && node.name.toLowerCase() === 'media' && node.block) {
        if (isForScreens(node.prelude ? generate(node.prelude) : '')) this.#addAll(node.block.children);
      }
    });
  }

  #add(selector: Selector, declarations: readonly Declaration[]): void {
    this.#count += 1;
    if (this.#count > MOST_SELECTORS)
      throw new XmlError(`its style sheets have more than ${MOST_SELECTORS.toLocaleString('en')} selectors`);
    let matches: StyleRule['matches'];
    try {
      matches = compile<XmlElement, XmlElement>(generate(selector), { adapter: this.#adapter, xmlMode: true });
    } catch {
      // What a reader does not understand picks nothing (Selectors, section 3.9).
      return;
    }
    const key = keyOf(selector);
    const rule: StyleRule = { declarations, matches, specificity: specificityOf(selector), order: this.#count };
    const others = this.#byKey.get(key);
    if (others) others.push(rule);
    else this.#byKey.set(key, [rule]);
  }

  readonly #adapter = {
    isTag: isElement,
    getAttributeValue: ({ attributes }: XmlElement, name: string) => attributes[name],
    hasAttrib: ({ attributes }: XmlElement, name: string) => attributes[name] !== undefined,
    getChildren: ({ children }: XmlElement) => children,
    getName: ({ name }: XmlElement) => name,
    getParent: (element: XmlElement) => this.#parents.get(element) ?? null,
    getSiblings: (element: XmlElement) => this.#parents.get(element)?.children ?? [element],
    getText: ({ text }: XmlElement) => text,
    existsOne: (test: (element: XmlElement) => boolean, elements: XmlElement[]): boolean =>
      elements.some((element) => [...everyElement(element)].some(test)),
    removeSubsets: (elements: XmlElement[]) => elements,
    findAll: (test: (element: XmlElement) => boolean, elements: XmlElement[]) =>
      elements.flatMap((element) => [...everyElement(element)].filter(test)),
    findOne: (test: (element: XmlElement) => boolean, elements: XmlElement[]) =>
      elements.flatMap((element) => [...everyElement(element)]).find(test) ?? null,
  };
}

function isElement(node: XmlElement): node is XmlElement {
  return node.name !== '';
}

/** Whether a sheet for these media is for a light screen; one that asks for anything of the screen is not taken. */
function isForScreens(media: string): boolean {
  return media.trim() === '' || media.split(',').some((one) => /^\s*(?:only\s+)?(?:all|screen)\s*$/i.test(one));
}

function keyOf(selector: Selector): string {
  let key = '*';
  selector.children.forEach((node) => {
    if (node.type === 'Combinator') key = '*';
    else if (node.type === 'ClassSelector') key = `.${node.name}`;
    else if (node.type === 'IdSelector') key = `#${node.name}`;
    else if (node.type === 'TypeSelector' && key === '*') key = node.name;
  });
  return key;
}

/** Selectors, section 17: what is within `:not()` and the like is not looked into. */
function specificityOf(selector: Selector): number {
  let [ids, classes, types] = [0, 0, 0];
  selector.children.forEach(({ type, ...node }) => {
    if (type === 'IdSelector') ids += 1;
    else if (type === 'ClassSelector' || type === 'AttributeSelector' || type === 'PseudoClassSelector') classes += 1;
    else if (type === 'TypeSelector' && 'name' in node && node.name !== '*') types += 1;
  });
  return (ids * 1000 + classes) * 1000 + types;
}
