/** All texts of this part of the interface, to be read, and translated, in one go. */
export const TEXTS = {
  swatchBook: 'Swatch book',
  noSwatchIsSavedYet: 'No swatch is saved yet. Open a design and choose “Save swatch” when its repeat is done.',
  deleteName: (name: string): string => `Delete ${name}`,
  swatchBookText: 'swatch book',
  theDesignNameHasChanged: (name: string): string =>
    `The design “${name}” has changed since, so this is the swatch’s own, opened beside it.`,
  repeat: 'Repeat',
  tile: 'Tile',
  tileWidthTileHeightPx: (tileWidth: number, tileHeight: number): string => `${tileWidth} × ${tileHeight} px`,
  saved: 'Saved',
  coloursList: (list: string): string => `Colours: ${list}`,
  openItsDesign: 'Open its design',
  exportIt: 'Export',
  swatch: 'Swatch',
  zoomOut: 'Zoom out',
  zoomIn: 'Zoom in',
  actualSize: 'Actual size',
  scale: 'Scale',
  nameOfTheSwatch: 'Name of the swatch',
  nameWasDeletedFromThe: (name: string): string => `“${name}” was deleted from the swatch book.`,
  undo: 'Undo',
};
