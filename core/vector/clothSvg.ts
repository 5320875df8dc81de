import type { Repeat } from '../lattice/index.ts';
import { tileOf } from '../lattice/index.ts';
import type { VectorOrder, VectorPage } from '../export/index.ts';
import type { Box } from '../geometry/index.ts';
import type { Blend } from '../document/index.ts';
import type { Scene } from '../paint/index.ts';
import { artworkText, escapeXml, matrixText, type SvgPictures, type SvgWriting } from '../svg/index.ts';
import { type DrawnInstance, type DrawnRun, drawnRuns } from './clothDrawing.ts';

/** The cloth of a design, ready to be written as SVG. */
export interface SvgCloth {
  readonly scene: Scene;
  readonly repeat: Repeat;
  /** A picture that stands for a ground of more than one colour: its address, and where it lies, mm. */
  readonly groundPicture?: { readonly address: string; readonly box: Box } | undefined;
}

/** What is drawn, and under which name. */
export interface SvgRequest extends SvgCloth {
  readonly page: VectorPage;
  readonly format: Extract<VectorOrder['format'], 'svg' | 'svg-pattern'>;
  readonly title: string;
  readonly pictures: SvgPictures;
}

/**
 * A part of the cloth as an SVG document in mm: each motif once in its definitions, and an instance of it wherever it is
 * seen. As a pattern, the tile is a `pattern` element, and the document one rectangle that is filled with it.
 *
 * @throws RangeError where too many instances are seen
 */
export function clothSvg({ page: plan, format, title, pictures, ...cloth }: SvgRequest): string {
  const { page, painted, scale, width, height } = plan;
  const writing: SvgWriting = { definitions: [], pictures, colour: cloth.scene.resolve };
  const drawn = (window: Box): string => clothText(cloth, window, writing);
  let body: string;
  if (format === 'svg-pattern') {
    const tile = tileOf(cloth.repeat);
    const content = drawn({ left: 0, top: 0, right: tile.width, bottom: tile.height });
    writing.definitions.push(
      `<pattern id="cloth" patternUnits="userSpaceOnUse" width="${tile.width}" height="${tile.height}">${content}</pattern>`,
    );
    body = boxText(painted, ' fill="url(#cloth)"');
  } else {
    writing.definitions.push(`<clipPath id="edges">${boxText(painted, '')}</clipPath>`);
    body = `<g clip-path="url(#edges)">${drawn(painted)}</g>`;
  }
  const marks = plan.marks.map((mark) => boxText(mark, ' fill="#000000"')).join('');
  const view = `${page.left} ${page.top} ${page.right - page.left} ${page.bottom - page.top}`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="${view}">`,
    `<title>${escapeXml(title)}</title>`,
    scale === 1 ? '' : `<desc>Printed at ${Math.round(1000 * scale) / 10} % of its size on the cloth.</desc>`,
    `<defs>${writing.definitions.join('')}</defs>`,
    body,
    marks,
    '</svg>\n',
  ].join('');
}

/**
 * What is seen in a rectangle of the cloth as elements, in mm of the cloth, not clipped.
 *
 * @throws RangeError where too many instances are seen
 */
export function clothText({ scene, repeat, groundPicture }: SvgCloth, window: Box, writing: SvgWriting): string {
  const motifs = new Map<string, string>();
  const own = { ...writing, colour: scene.resolve };
  const ground = groundPicture
    ? pictureText(groundPicture)
    : scene.ground?.kind === 'flat'
      ? boxText(window, ` fill="${scene.ground.colour}"`)
      : '';
  const runs = drawnRuns(scene, repeat, window);
  return `${ground}${runs.map((run) => runText(run, motifs, own)).join('')}`;
}

function runText({ layer, instances }: DrawnRun, motifs: Map<string, string>, writing: SvgWriting): string {
  const body = instances.map((instance) => instanceText(instance, motifs, writing)).join('');
  // A layer is painted by itself and then laid down as one.
  return layer ? `<g${meeting(layer, 'isolation:isolate')}>${body}</g>` : body;
}

function instanceText(
  { placement, motif, matrix }: DrawnInstance,
  motifs: Map<string, string>,
  writing: SvgWriting,
): string {
  let id = motifs.get(placement.motif);
  if (id === undefined) {
    const body = artworkText(motif.artwork.nodes, {
      ...writing,
      colour: (ink) => writing.colour(ink, placement.motif),
    });
    // Definitions only grow more: no other motif of the document has this number.
    id = `m${writing.definitions.length + 1}`;
    motifs.set(placement.motif, id);
    writing.definitions.push(`<g id="${id}">${body}</g>`);
  }
  return `<use href="#${id}"${matrixText(matrix, 'transform')}${meeting(placement)}/>`;
}

/** How it meets what lies below. */
function meeting({ opacity, blend }: { readonly opacity: number; readonly blend: Blend }, style = ''): string {
  const styles = [style, blend === 'normal' ? '' : `mix-blend-mode:${blend}`].filter((part) => part !== '').join(';');
  return `${opacity === 1 ? '' : ` opacity="${opacity}"`}${styles === '' ? '' : ` style="${styles}"`}`;
}

function pictureText({ address, box }: NonNullable<SvgCloth['groundPicture']>): string {
  const { left, top, right, bottom } = box;
  return `<image x="${left}" y="${top}" width="${right - left}" height="${bottom - top}" preserveAspectRatio="none" href="${address}"/>`;
}

/** A rectangle as an element. */
export function boxText({ left, top, right, bottom }: Box, attributes: string): string {
  return `<rect x="${left}" y="${top}" width="${right - left}" height="${bottom - top}"${attributes}/>`;
}
