import type { Matrix } from '../geometry/index.ts';
import type { Artwork, ArtworkNode, ClipShape, Paint, Stroke } from '../motif/index.ts';

/** What of an SVG lies outside its tree. */
interface Sink {
  readonly definitions: string[];
  readonly picture: (blob: string) => string;
}

/**
 * Artwork as an SVG document of its natural size.
 *
 * @param width mm
 * @param picture the address, mostly a `data:` URL, under which a picture's pixels are found
 */
export function writeSvg({ view, nodes }: Artwork, width: number, picture: (blob: string) => string): string {
  const sink: Sink = { definitions: [], picture };
  const body = nodes.map((node) => nodeText(node, sink)).join('');
  const defs = sink.definitions.length > 0 ? `<defs>${sink.definitions.join('')}</defs>` : '';
  const height = (width * view.height) / view.width;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="${view.x} ${view.y} ${view.width} ${view.height}">${defs}${body}</svg>\n`;
}

function nodeText(node: ArtworkNode, sink: Sink): string {
  if (node.kind === 'picture') {
    return `<image x="${node.x}" y="${node.y}" width="${node.width}" height="${node.height}" preserveAspectRatio="none" href="${escaped(sink.picture(node.blob))}"/>`;
  }
  if (node.kind === 'group') {
    const clip = node.clip ? ` clip-path="url(#${clipId(node.clip, sink)})"` : '';
    const opacity = node.opacity === 1 ? '' : ` opacity="${node.opacity}"`;
    return `<g${matrixText(node.matrix, 'transform')}${opacity}${clip}>${node.children.map((child) => nodeText(child, sink)).join('')}</g>`;
  }
  const fill = node.fill ? paintText('fill', node.fill, sink) : ' fill="none"';
  const rule = node.rule === 'evenodd' ? ' fill-rule="evenodd"' : '';
  const order = node.strokeFirst && node.fill && node.stroke ? ' paint-order="stroke"' : '';
  return `<path d="${escaped(node.path)}"${fill}${rule}${node.stroke ? strokeText(node.stroke, sink) : ''}${order}/>`;
}

function strokeText({ paint, width, cap, join, miterLimit, dash, dashOffset }: Stroke, sink: Sink): string {
  const dashes = dash.length > 0 ? ` stroke-dasharray="${dash.join(' ')}" stroke-dashoffset="${dashOffset}"` : '';
  return `${paintText('stroke', paint, sink)} stroke-width="${width}" stroke-linecap="${cap}" stroke-linejoin="${join}" stroke-miterlimit="${miterLimit}"${dashes}`;
}

function paintText(part: 'fill' | 'stroke', paint: Paint, sink: Sink): string {
  if (paint.kind === 'ink')
    return ` ${part}="${paint.ink}"${paint.opacity === 1 ? '' : ` ${part}-opacity="${paint.opacity}"`}`;
  const id = `d${sink.definitions.length + 1}`;
  const stops = paint.stops
    .map(({ offset, ink, opacity }) => `<stop offset="${offset}" stop-color="${ink}" stop-opacity="${opacity}"/>`)
    .join('');
  const shared = `id="${id}" gradientUnits="userSpaceOnUse"${matrixText(paint.matrix, 'gradientTransform')}`;
  sink.definitions.push(
    paint.kind === 'linear'
      ? `<linearGradient ${shared} x1="${paint.from[0]}" y1="${paint.from[1]}" x2="${paint.to[0]}" y2="${paint.to[1]}">${stops}</linearGradient>`
      : `<radialGradient ${shared} cx="${paint.centre[0]}" cy="${paint.centre[1]}" r="${paint.radius}" fx="${paint.focus[0]}" fy="${paint.focus[1]}">${stops}</radialGradient>`,
  );
  return ` ${part}="url(#${id})"`;
}

function clipId(clip: readonly ClipShape[], sink: Sink): string {
  const id = `d${sink.definitions.length + 1}`;
  const shapes = clip
    .map(
      ({ path, rule, matrix }) =>
        `<path d="${escaped(path)}"${matrixText(matrix, 'transform')}${rule === 'evenodd' ? ' clip-rule="evenodd"' : ''}/>`,
    )
    .join('');
  sink.definitions.push(`<clipPath id="${id}">${shapes}</clipPath>`);
  return id;
}

function matrixText(matrix: Matrix, attribute: string): string {
  return matrix.every((n, i) => n === [1, 0, 0, 1, 0, 0][i]) ? '' : ` ${attribute}="matrix(${matrix.join(' ')})"`;
}

function escaped(text: string): string {
  return text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] as string);
}
