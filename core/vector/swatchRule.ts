/**
 * A CSS rule that fills an element with a tile at its true size.
 *
 * @param name of the swatch; becomes the class
 * @param tile its size, mm
 * @param address of the picture, a `data:` URL or that of a file beside
 */
export function swatchRule(
  name: string,
  tile: { readonly width: number; readonly height: number },
  ground: string | undefined,
  address: string,
): string {
  const colour = ground === undefined ? '' : `  background-color: ${ground};\n`;
  return `.${classOf(name)} {\n${colour}  background-image: url("${address}");\n  background-size: ${tile.width}mm ${tile.height}mm;\n}\n`;
}

/** The name as a class: ASCII letters, digits and hyphens, a letter first. */
function classOf(name: string): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '');
  return plain === '' ? 'cloth' : plain;
}
