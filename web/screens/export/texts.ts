/** What the export says. */
export const TEXTS = {
  exportFile: 'Export a file',
  format: 'Format',
  contents: 'Contents',
  tile: 'Tile',
  repeats: 'Repeats',
  cell: 'One cell',
  length: 'Length of cloth',
  columns: 'Columns',
  rows: 'Rows',
  width: 'Width',
  height: 'Height',
  sizeBy: 'Size by',
  density: 'Density',
  pixels: 'Pixel width',
  print: 'Printed width',
  texture: 'Game texture',
  dotsPerInch: 'Dots per inch',
  widthInPixels: 'Width in pixels',
  longerSide: 'Longer side',
  sidePx: (side: number): string => `${side} px`,
  bleed: 'Bleed on each edge',
  bleedUnit: 'Unit of the bleed',
  trimMarks: 'Trim marks',
  behind: 'Colour behind it',
  noGround: 'The design has no ground. The file is transparent unless there is a colour behind it.',
  noGroundJpeg: 'The design has no ground, and a JPEG cannot be transparent: choose a colour behind it.',
  transparent: 'Transparent',
  file: (format: string, width: number, height: number, density: string): string =>
    `${format}, ${width} × ${height} px, ${density} dpi`,
  tileOf: (cells: number): string =>
    cells === 1
      ? 'The cell itself repeats as it is.'
      : `The tile holds ${cells} cells, so that it repeats without a drop.`,
  cellAlone: 'One cell alone: laid side by side it makes the cloth only where the step is square.',
  lengthFrom: 'A piece of cloth, beginning at the cell’s top left corner.',
  nearestWidth: (width: number, columns: number): string =>
    `${width} px is the nearest width that ${columns} columns divide.`,
  stretched: (percent: string, how: string): string =>
    `Corrected so that both sides are powers of two: the pattern comes out ${percent} % ${how}.`,
  taller: 'taller',
  flatter: 'flatter',
  painting: 'Painting the file',
  done: 'Done',
  cancel: 'Cancel',
  export: 'Export',
  exportAnother: 'Export another',
  saveAgain: 'Download again',
  written: (name: string, size: string): string => `“${name}”, ${size}, was downloaded.`,
  palette: 'Stored with a palette, since it has no more than 256 colours.',
  proved: (pixels: string, where: string): string =>
    `Opened again and compared with the pattern at ${pixels} pixels ${where}:`,
  alongJoins: 'along its joins with copies of itself',
  alongEdges: 'along its edges',
  equal: 'all of them are equal.',
  differs: (largest: number, mean: string): string =>
    `the largest difference is ${largest} of 255, ${mean} in the mean, as this format stores pixels approximately.`,
} as const;
