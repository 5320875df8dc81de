import type { Hex } from '../colour/index.ts';
import { IDENTITY, type Matrix } from '../geometry/index.ts';
import {
  type Artwork,
  type ArtworkNode,
  type ClipShape,
  fadedBounds,
  type GroupNode,
  type Paint,
  type Stroke,
} from '../motif/index.ts';

/** The addresses, mostly `data:` URLs, under which the pixels of a document are found. */
export interface SvgPictures {
  readonly picture: (blob: string) => string;
  /** What a group with a fading edge lets through, white on black, over its `fadedBounds`: filters end at a document's edge. */
  readonly mask: (group: GroupNode) => string;
}

/** What writing one SVG document needs, the same for all its nodes. */
export interface SvgWriting {
  /** What is referred to by its id; written where the document likes it best. */
  readonly definitions: string[];
  readonly pictures: SvgPictures;
  /** The colour that is printed for one the artwork was drawn in, in a motif where it can be another there. */
  readonly colour: (ink: Hex, motif?: string) => Hex;
}

/**
 * Artwork as an SVG document of its natural size.
 *
 * @param width mm
 */
export function writeSvg({ view, nodes }: Artwork, width: number, pictures: SvgPictures): string {
  const writing: SvgWriting = { definitions: [], pictures, colour: (ink) => ink };
  const body = artworkText(nodes, writing);
  const defs = writing.definitions.length > 0 ? `<defs>${writing.definitions.join('')}</defs>` : '';
  const height = (width * view.height) / view.width;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="${view.x} ${view.y} ${view.width} ${view.height}">${defs}${body}</svg>\n`;
}

/** Artwork nodes as elements of an SVG document, in the artwork's own units. */
export function artworkText(nodes: readonly ArtworkNode[], writing: SvgWriting): string {
  return nodes.map((node) => nodeText(node, writing)).join('');
}

function nodeText(node: ArtworkNode, writing: SvgWriting): string {
  if (node.kind === 'picture') {
    return `<image x="${node.x}" y="${node.y}" width="${node.width}" height="${node.height}" preserveAspectRatio="none" href="${escapeXml(writing.pictures.picture(node.blob))}"/>`;
  }
  if (node.kind === 'group') {
    const clip = clipText(node, writing);
    const opacity = node.opacity === 1 ? '' : ` opacity="${node.opacity}"`;
    return `<g${matrixText(node.matrix, 'transform')}${opacity}${clip}>${artworkText(node.children, writing)}</g>`;
  }
  const fill = node.fill ? paintText('fill', node.fill, writing) : ' fill="none"';
  const rule = node.rule === 'evenodd' ? ' fill-rule="evenodd"' : '';
  const order = node.strokeFirst && node.fill && node.stroke ? ' paint-order="stroke"' : '';
  return `<path d="${escapeXml(node.path)}"${fill}${rule}${node.stroke ? strokeText(node.stroke, writing) : ''}${order}/>`;
}

function strokeText({ paint, width, cap, join, miterLimit, dash, dashOffset }: Stroke, writing: SvgWriting): string {
  const dashes = dash.length > 0 ? ` stroke-dasharray="${dash.join(' ')}" stroke-dashoffset="${dashOffset}"` : '';
  return `${paintText('stroke', paint, writing)} stroke-width="${width}" stroke-linecap="${cap}" stroke-linejoin="${join}" stroke-miterlimit="${miterLimit}"${dashes}`;
}

function paintText(part: 'fill' | 'stroke', paint: Paint, writing: SvgWriting): string {
  if (paint.kind === 'ink')
    return ` ${part}="${writing.colour(paint.ink)}"${paint.opacity === 1 ? '' : ` ${part}-opacity="${paint.opacity}"`}`;
  const id = `d${writing.definitions.length + 1}`;
  const stops = paint.stops
    .map(
      ({ offset, ink, opacity }) =>
        `<stop offset="${offset}" stop-color="${writing.colour(ink)}" stop-opacity="${opacity}"/>`,
    )
    .join('');
  const shared = `id="${id}" gradientUnits="userSpaceOnUse"${matrixText(paint.matrix, 'gradientTransform')}`;
  writing.definitions.push(
    paint.kind === 'linear'
      ? `<linearGradient ${shared} x1="${paint.from[0]}" y1="${paint.from[1]}" x2="${paint.to[0]}" y2="${paint.to[1]}">${stops}</linearGradient>`
      : `<radialGradient ${shared} cx="${paint.centre[0]}" cy="${paint.centre[1]}" r="${paint.radius}" fx="${paint.focus[0]}" fy="${paint.focus[1]}">${stops}</radialGradient>`,
  );
  return ` ${part}="url(#${id})"`;
}

function clipText(group: GroupNode, writing: SvgWriting): string {
  if (!group.clip) return '';
  const id = group.softness ? softMaskId(group, writing) : clipId(group.clip, writing);
  return ` ${group.softness ? 'mask' : 'clip-path'}="url(#${id})"`;
}

/** Defines what a group is clipped to with an edge that fades. @returns its id */
function softMaskId(group: GroupNode, writing: SvgWriting): string {
  const id = `d${writing.definitions.length + 1}`;
  const { left, top, right, bottom } = fadedBounds(group, IDENTITY) ?? { left: 0, top: 0, right: 0, bottom: 0 };
  const box = `x="${left}" y="${top}" width="${right - left}" height="${bottom - top}"`;
  writing.definitions.push(
    `<mask id="${id}" maskUnits="userSpaceOnUse" ${box}><image ${box} preserveAspectRatio="none" href="${escapeXml(writing.pictures.mask(group))}"/></mask>`,
  );
  return id;
}

/** Defines what shapes cover together as something to clip to. @returns its id */
export function clipId(clip: readonly ClipShape[], writing: SvgWriting): string {
  const id = `d${writing.definitions.length + 1}`;
  const shapes = clip
    .map(
      ({ path, rule, matrix }) =>
        `<path d="${escapeXml(path)}"${matrixText(matrix, 'transform')}${rule === 'evenodd' ? ' clip-rule="evenodd"' : ''}/>`,
    )
    .join('');
  writing.definitions.push(`<clipPath id="${id}">${shapes}</clipPath>`);
  return id;
}

/** A map as an attribute; nothing where it changes nothing. */
export function matrixText(matrix: Matrix, attribute: string): string {
  return matrix.every((n, i) => n === [1, 0, 0, 1, 0, 0][i]) ? '' : ` ${attribute}="matrix(${matrix.join(' ')})"`;
}

/** Text as it stands in an attribute or between tags. */
export function escapeXml(text: string): string {
  return text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] as string);
}
