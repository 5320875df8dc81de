import type { Matrix } from '../geometry/index.ts';
import type { ArtworkNode, View } from '../motif/index.ts';
import type { XmlElement } from './xmlTree.ts';

/** Everything with an id in `defs`. */
export type Definitions = ReadonlyMap<string, XmlElement>;

/** A picture that was kept: its content address and its size in px. */
export interface KeptPicture {
  readonly blob: string;
  readonly width: number;
  readonly height: number;
}

/** A part of a drawing that has to become a picture. */
export interface PartRequest {
  /** A whole document of what of the part alone lies in a frame, given in the units around it. */
  readonly document: (frame: View) => string;
  /** Where all of it lies that is seen. */
  readonly frame: View;
  /** How much larger than in those units it is on the page. */
  readonly magnification: number;
  /** The page it is on. */
  readonly page: View;
}

/** What a reader of normalised SVG leaves to others. */
export interface SvgSources {
  /** Keeps an embedded picture. */
  readonly keep: (dataUrl: string) => KeptPicture;
  /** Paints a part of the drawing and keeps it as pictures; none where nothing of it is seen. */
  readonly paint: (part: PartRequest) => ArtworkNode[];
}

/** What is known while a drawing is read. */
export interface SvgContext {
  readonly definitions: Definitions;
  readonly sources: SvgSources;
  readonly page: View;
  /** Reads elements of whatever kind, in the space that the matrix maps to the page. */
  readonly read: (elements: readonly XmlElement[], toPage: Matrix) => ArtworkNode[];
}

/** What artwork cannot hold, as a phrase; that part is painted instead. */
export class Unsupported extends Error {
  /**
   * @param phrase continues “it uses …”
   * @param needsBackdrop it changes what lies below, so that must become part of the picture
   */
  constructor(
    phrase: string,
    readonly needsBackdrop = false,
  ) {
    super(phrase);
  }
}

/** The id in `url(#id)`. */
export function referenceIn(text: string | undefined): string | undefined {
  return /^url\(#(.+)\)$/.exec(text ?? '')?.[1];
}

/** A number attribute with what it is when missing. */
export function numberOf(element: XmlElement, name: string, missing: number): number {
  const value = Number(element.attributes[name] ?? missing);
  return Number.isFinite(value) ? value : missing;
}
