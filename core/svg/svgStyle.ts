import { type Declaration, declarationsIn } from './declarations.ts';
import { settledColour } from './svgColour.ts';
import { StyleRules, type StyleRule } from './styleRules.ts';
import { everyElement, type XmlElement } from './xmlTree.ts';

/** Properties that SVG also takes as attributes, among those that change what is drawn. */
const PRESENTATION = new Set(
  `clip-path clip-rule color color-interpolation color-interpolation-filters direction display dominant-baseline
  alignment-baseline baseline-shift enable-background fill fill-opacity fill-rule filter flood-color flood-opacity font-family font-size
  font-size-adjust font-stretch font-style font-variant font-weight image-rendering kerning letter-spacing lighting-color marker
  marker-end marker-mid marker-start mask opacity overflow paint-order shape-rendering stop-color stop-opacity stroke
  stroke-dasharray stroke-dashoffset stroke-linecap stroke-linejoin stroke-miterlimit stroke-opacity stroke-width text-anchor
  text-decoration text-rendering unicode-bidi vector-effect visibility word-spacing writing-mode`.split(/\s+/),
);
const COLOURS = new Set(['color', 'fill', 'stroke', 'stop-color', 'flood-color', 'lighting-color']);

/** The declarations of an element that count, by property. */
export type Style = Map<string, string>;

/** The style of each element. Styles are changed until they are written. */
export type Styles = Map<XmlElement, Style>;

/**
 * Decides which declaration counts for each property of each element, as CSS says (Cascading and Inheritance, section 6):
 * attributes, then style sheets by specificity and order, then the element's own style, and whatever is `!important` once more in
 * that order. Variables are put in. Sheets and styles are taken out of the tree; `writeStyles` puts back what counts.
 *
 * @throws XmlError where the sheets have more rules than any drawing does
 */
export function settleStyles(root: XmlElement): Styles {
  const rules = new StyleRules(root);
  const styles: Styles = new Map();
  const visit = (element: XmlElement, above: ReadonlyMap<string, string>): void => {
    const won = cascade(element, rules.of(element));
    const own = [...won].filter(([name]) => name.startsWith('--'));
    const variables = own.length === 0 ? above : new Map([...above, ...own]);
    const style: Style = new Map();
    for (const [name, value] of won) {
      const settled = name.startsWith('--') ? undefined : settledValue(name, value, variables);
      if (settled !== undefined) style.set(name, settled);
    }
    element.attributes = withoutStyle(element.attributes, style);
    styles.set(element, style);
    for (const child of element.children) visit(child, variables);
  };
  visit(root, new Map());
  for (const element of everyElement(root))
    element.children = element.children.filter((child) => child.name !== 'style');
  return styles;
}

function cascade({ attributes }: XmlElement, rules: readonly StyleRule[]): Style {
  const won: Style = new Map(Object.entries(attributes).filter(([key]) => PRESENTATION.has(key)));
  const own = attributes['style'] === undefined ? [] : declarationsIn(attributes['style']);
  for (const important of [false, true]) {
    for (const rule of rules) take(won, rule.declarations, important);
    take(won, own, important);
  }
  return won;
}

function take(won: Style, declarations: readonly Declaration[], important: boolean): void {
  for (const declaration of declarations)
    if (declaration.important === important) won.set(declaration.property, declaration.value);
}

/** The value as the reader takes it, or undefined where it cannot be one: CSS then acts as though it were not there. */
function settledValue(property: string, value: string, variables: ReadonlyMap<string, string>): string | undefined {
  const given = value.includes('var(') ? withVariables(value, variables) : value;
  // Nothing outside the file is ever fetched.
  if (given === undefined || /url\(\s*['"]?\s*(?![#\s'"])/i.test(given)) return undefined;
  // Not every reader takes the quotes.
  const bare = given.replace(/url\(\s*(['"]?)(#[^'")]*)\1\s*\)/gi, 'url($2)');
  if (!COLOURS.has(property)) return bare;
  return /^url\(#?\)/i.test(bare) ? 'none' : settledColour(bare);
}

/** Variables within variables are put in so often at the most. */
const MOST_STEPS = 20;

function withVariables(value: string, variables: ReadonlyMap<string, string>): string | undefined {
  let text = value;
  for (let step = 0; step < MOST_STEPS && text.length < 10_000; step += 1) {
    // The innermost first, so that one in another's fallback is put in before.
    const [found, name, fallback] = /var\(\s*(--[^\s,()]+)\s*(?:,((?:[^()]|\([^()]*\))*))?\)/.exec(text) ?? [];
    if (found === undefined || name === undefined) return text.includes('var(') ? undefined : text.trim();
    const put = variables.get(name) ?? fallback;
    if (put === undefined) return undefined;
    text = text.replace(found, () => put);
  }
  return undefined;
}

/** The attributes without styles, and with what SVG has as an attribute alone, which goes out of the style. */
function withoutStyle(attributes: Readonly<Record<string, string>>, style: Style): Record<string, string> {
  const left = Object.fromEntries(
    Object.entries(attributes).filter(([key]) => key !== 'style' && !PRESENTATION.has(key)),
  );
  for (const [name, value] of style) {
    if (name !== 'transform' && !GEOMETRY.has(name)) continue;
    left[name] = name === 'transform' ? transformAttribute(value) : value;
    style.delete(name);
  }
  return left;
}

/** Puts what counts into each element's `style`, the one place where a reader looks for it then. */
export function writeStyles(styles: Styles): void {
  for (const [{ attributes }, style] of styles)
    if (style.size > 0) attributes['style'] = [...style].map(([name, value]) => `${name}:${value}`).join(';');
}

/** Geometry that SVG 2 lets a sheet set. */
const GEOMETRY = new Set(['x', 'y', 'width', 'height', 'cx', 'cy', 'r', 'rx', 'ry']);

/** CSS writes the units out, which the attribute does without. */
function transformAttribute(value: string): string {
  return value === 'none' ? '' : value.replace(/(\d)(?:px|deg)/g, '$1');
}
