import type { View } from '../motif/index.ts';
import { referenceIn, type Definitions } from './svgContext.ts';
import { everyElement, writeXml, type XmlElement } from './xmlTree.ts';

/** Documents of some elements of normalised SVG alone, with the definitions that they need, each of what lies in a frame. */
export function partDocument(elements: readonly XmlElement[], definitions: Definitions): (frame: View) => string {
  const needed = new Set<XmlElement>();
  const need = (element: XmlElement): void => {
    for (const { attributes } of everyElement(element))
      for (const [name, value] of Object.entries(attributes)) {
        const id = name === 'xlink:href' && value.startsWith('#') ? value.slice(1) : referenceIn(value);
        const definition = id === undefined ? undefined : definitions.get(id);
        if (!definition || needed.has(definition)) continue;
        needed.add(definition);
        need(definition);
      }
  };
  elements.forEach(need);
  const defs = [...needed].map(writeXml).join('');
  const drawn = elements.map(writeXml).join('');
  return ({ x, y, width, height }) =>
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="${width}" height="${height}" viewBox="${x} ${y} ${width} ${height}"><defs>${defs}</defs>${drawn}</svg>`;
}
