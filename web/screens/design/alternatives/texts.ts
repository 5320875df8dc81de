/** All texts of this part of the interface, to be read, and translated, in one go. */
export const TEXTS = {
  takeThisOne: 'Take this one',
  sideBySide: 'Side by side',
  countMotifsRepeat: (count: number, repeat: string): string => `${count} motifs, ${repeat}`,
  appliedName: (name: string): string => `Applied “${name}”`,
  asItIsNow: 'As it is now',
  alternative: 'Alternative',
  fetching: 'Fetching …',
  alternativesSideBySide: 'Alternatives side by side',
  dragPansAllOfThem: 'Drag pans all of them, the wheel zooms. All are shown in the current colours.',
};
