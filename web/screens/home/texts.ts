/** All texts of this part of the interface, to be read, and translated, in one go. */
export const TEXTS = {
  newDesign: 'New design',
  onTheTable: 'On the table',
  nothingLiesHereYetBegin:
    'Nothing lies here yet. Begin with a new design: give it a name and a repeat, then bring your motifs.',
  inTheSwatchBook: 'In the swatch book',
  nameWasDeleted: (name: string): string => `“${name}” was deleted.`,
  undo: 'Undo',
  motifsMotifs: (motifs: number): string => `${motifs} motifs`,
  putNameAway: (name: string): string => `Put ${name} away`,
  square: 'Square',
  halfDrop: 'Half-drop',
  brick: 'Brick',
  honeycomb: 'Honeycomb',
  tossed: 'Tossed',
  untitledRepeat: 'Untitled repeat',
  name: 'Name',
  layout: 'Layout',
  cellWidth: 'Cell width',
  cellHeight: 'Cell height',
  cancel: 'Cancel',
  create: 'Create',
};
