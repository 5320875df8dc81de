import { dropActing } from './svgActing.ts';
import { type KnownFonts, type ReplacedFont, settleFonts } from './svgFonts.ts';
import { checkSvgLimits } from './svgLimits.ts';
import { settleMarkers } from './svgMarkers.ts';
import { settleNames } from './svgNames.ts';
import { settlePage } from './svgPage.ts';
import { type Embedded, embeddedAddresses, settlePictures } from './svgPictures.ts';
import { settleReferences } from './svgReferences.ts';
import { svgLengthMm } from './svgSize.ts';
import { settleStyles, writeStyles } from './svgStyle.ts';
import { parseXml, writeXml, type XmlElement } from './xmlTree.ts';

/** A drawing whose pictures are still to be opened. */
export interface OpenedSvg {
  readonly root: XmlElement;
  /** `data:` addresses of the pictures in it. */
  readonly addresses: readonly string[];
  /** What was left out so far, each a phrase. */
  readonly left: ReadonlySet<string>;
}

/** An SVG with nothing in it that acts, fetches or reads files, and with everything resolved that readers differ in. */
export interface CleanSvg {
  readonly root: XmlElement;
  /** Width and height in mm that the root gives itself, where it does. */
  readonly width: number | undefined;
  readonly height: number | undefined;
  /** Whether the file says how large its page is; otherwise it is as large as what is drawn. */
  readonly hasPage: boolean;
  readonly hasText: boolean;
  readonly fonts: readonly ReplacedFont[];
  /** What was left out and would have been seen, each a phrase for the person who brought the file. */
  readonly left: readonly string[];
}

/**
 * Parses a drawing and drops all that is none.
 *
 * @throws XmlError where the text is no SVG
 */
export function openSvg(text: string): OpenedSvg {
  const root = parseXml(text);
  settleNames(root);
  const left = dropActing(root);
  return { root, addresses: embeddedAddresses(root), left };
}

/**
 * Keeps the drawing of an SVG file and drops all that could reach a network or a disk; styles, links, fonts and sizes are resolved.
 * The opened drawing is used up.
 *
 * @param embedded what the addresses in it hold; what is missing is damaged
 * @throws XmlError where the drawing is beyond the limits
 */
export function cleanSvg(
  { root, left }: OpenedSvg,
  embedded: ReadonlyMap<string, Embedded>,
  fonts: KnownFonts,
): CleanSvg {
  const width = svgLengthMm(root.attributes['width']);
  const height = svgLengthMm(root.attributes['height']);
  settlePage(root);
  const styles = settleStyles(root);
  const lost = [...settlePictures(root, styles, embedded), ...settleReferences(root, styles)];
  settleMarkers(root, styles);
  const replaced = settleFonts(root, styles, fonts);
  writeStyles(styles);
  checkSvgLimits(root);
  const { attributes } = root;
  return {
    root,
    width,
    height,
    hasPage:
      attributes['viewBox'] !== undefined || (attributes['width'] !== undefined && attributes['height'] !== undefined),
    hasText: replaced.length > 0 || hasText(root),
    fonts: replaced,
    left: [...new Set([...left, ...lost])],
  };
}

/** The drawing as text, in the one form that readers need. */
export function cleanText(root: XmlElement): string {
  root.attributes['xmlns'] = 'http://www.w3.org/2000/svg';
  return writeXml(root);
}

function hasText({ name, children }: XmlElement): boolean {
  return name === 'text' || children.some(hasText);
}
