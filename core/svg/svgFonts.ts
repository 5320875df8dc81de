import type { Styles } from './svgStyle.ts';
import type { XmlElement } from './xmlTree.ts';

/** A font that the drawing asks for and that is not there, with the one that stands in for it. */
export interface ReplacedFont {
  readonly asked: string;
  readonly standIn: string;
}

/** The fonts there are: families by their names in lower case, and what each general family stands for. */
export interface KnownFonts {
  readonly families: ReadonlyMap<string, string>;
  readonly standIns: Readonly<Record<'serif' | 'sans-serif' | 'cursive', string>>;
}

/** Gives every text a family that is there. @returns what had to be replaced, each once */
export function settleFonts(root: XmlElement, styles: Styles, fonts: KnownFonts): ReplacedFont[] {
  const replaced = new Map<string, ReplacedFont>();
  const visit = (element: XmlElement, above: string): void => {
    const style = styles.get(element);
    const own = style?.get('font-family');
    const family = own === undefined || own === 'inherit' ? above : own;
    if ((element.name === 'text' || element.name === 'tspan') && (own !== undefined || element.name === 'text')) {
      const { found, asked } = choose(family, fonts);
      style?.set('font-family', `'${found}'`);
      if (asked !== undefined && hasWords(element)) replaced.set(asked, { asked, standIn: found });
    }
    for (const child of element.children) visit(child, family);
  };
  visit(root, 'serif');
  return [...replaced.values()];
}

function choose(list: string, { families, standIns }: KnownFonts): { found: string; asked?: string } {
  let asked: string | undefined;
  let general: string = standIns['sans-serif'];
  for (const part of list.split(',')) {
    const name = part
      .trim()
      .replace(/^(['"])(.*)\1$/, '$2')
      .trim();
    const key = name.toLowerCase();
    const known = families.get(key);
    if (known !== undefined && asked === undefined) return { found: known };
    if (key === 'serif' || key === 'cursive' || key === 'sans-serif') {
      general = standIns[key];
      break;
    }
    if (GENERAL.has(key)) break;
    if (name !== '') asked ??= name;
    general = standInFor(key, standIns) ?? general;
  }
  return asked === undefined ? { found: general } : { found: general, asked };
}

const GENERAL = new Set(['monospace', 'fantasy', 'system-ui', 'ui-serif', 'ui-sans-serif', 'ui-rounded', 'math']);

/** Names often say what kind of face it is. */
function standInFor(name: string, standIns: KnownFonts['standIns']): string | undefined {
  if (/sans/.test(name)) return standIns['sans-serif'];
  if (/serif|roman|times|garamond|georgia|book/.test(name)) return standIns.serif;
  if (/script|hand|brush|cursive|chancery|marker/.test(name)) return standIns.cursive;
  return undefined;
}

function hasWords({ text, children }: XmlElement): boolean {
  return text.trim() !== '' || children.some(hasWords);
}
