import { checkSvgLimits } from './svgLimits.ts';
import { parseXml, writeXml, type XmlElement, XmlError } from './xmlTree.ts';

/** An SVG with nothing in it that acts, fetches or reads files. */
export interface CleanSvg {
  readonly text: string;
  /** The root's width and height as written, where they are. */
  readonly width: string | undefined;
  readonly height: string | undefined;
  readonly viewBox: string | undefined;
  readonly hasText: boolean;
  /** What was left out, each a phrase for the person who brought the file. */
  readonly left: readonly string[];
}

const ACTING = new Set([
  'script',
  'foreignObject',
  'iframe',
  'audio',
  'video',
  'handler',
  'listener',
  'animate',
  'set',
]);
const EMBEDDED_PICTURE = /^data:image\/(png|jpe?g|gif|webp);base64,/i;
/** Style sheets may not reach out: no imports, and addresses only into the file itself. */
const REACHING_STYLE = /@import[^;]*;?|url\(\s*['"]?(?!#)[^)]*\)/gi;

/**
 * Keeps the drawing of an SVG file and drops all that could run, or reach a network or a disk.
 *
 * @throws XmlError where the text is no SVG
 */
export function cleanSvg(text: string): CleanSvg {
  const root = parseXml(text);
  if (localName(root) !== 'svg') throw new XmlError(`it begins with <${root.name}> instead of <svg>`);
  checkSvgLimits(root);
  const left = new Set<string>();
  let hasText = false;

  const visit = (element: XmlElement): XmlElement | undefined => {
    const name = localName(element);
    if (ACTING.has(name)) {
      left.add(
        name === 'animate' || name === 'set'
          ? 'animation'
          : name === 'script'
            ? 'a script'
            : `foreign markup (${name})`,
      );
      return undefined;
    }
    if (name === 'text') hasText = true;
    const attributes: Record<string, string> = {};
    for (const [key, value] of Object.entries(element.attributes)) {
      if (/^on/i.test(key)) left.add('a script');
      else if (/(^|:)href$/i.test(key)) {
        const here = value.trim();
        if (here.startsWith('#') || (name === 'image' && EMBEDDED_PICTURE.test(here.replace(/\s+/g, ''))))
          attributes[key] = here;
        else if (name !== 'a') left.add(name === 'image' ? 'a linked picture' : 'a link to another file');
      } else if (key !== 'xml:base' && key !== 'src') {
        attributes[key] = value.replace(REACHING_STYLE, 'none');
      }
    }
    return {
      name: element.name,
      attributes,
      text: name === 'style' ? element.text.replace(REACHING_STYLE, 'none') : element.text,
      children: element.children.map(visit).filter((child) => child !== undefined),
    };
  };

  const clean = visit(root) as XmlElement;
  // Some files leave the namespace out; a reader that insists on it would show nothing.
  if (!Object.keys(clean.attributes).some((key) => key.startsWith('xmlns'))) {
    (clean.attributes as Record<string, string>)['xmlns'] = 'http://www.w3.org/2000/svg';
  }
  const { width, height, viewBox } = clean.attributes;
  return { text: writeXml(clean), width, height, viewBox, hasText, left: [...left] };
}

function localName(element: XmlElement): string {
  return element.name.slice(element.name.indexOf(':') + 1);
}
