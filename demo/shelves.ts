import type { Shelf } from '../core/shelf/index.ts';

/** Shelves of inks of the studio: what it dyes with, and what the shore looks like on a grey day and at dusk. */
export const SAMPLE_SHELVES: readonly Shelf[] = [
  {
    name: 'Dye garden',
    inks: [
      { name: 'Chalk', colour: '#f6f0e2' },
      { name: 'Weld', colour: '#d9a53a' },
      { name: 'Madder', colour: '#b3402e' },
      { name: 'Walnut', colour: '#5b4030' },
      { name: 'Woad', colour: '#4c6f8e' },
      { name: 'Indigo', colour: '#23304d' },
      { name: 'Kelp', colour: '#566f52' },
    ],
  },
  {
    name: 'Grey morning',
    inks: [
      { name: 'Fog', colour: '#e6e6df' },
      { name: 'Wet sand', colour: '#b9ab95' },
      { name: 'Slate', colour: '#5d6a72' },
      { name: 'Deep water', colour: '#2c3c46' },
      { name: 'Lichen', colour: '#a9ad7c' },
      { name: 'Buoy', colour: '#d2644a' },
    ],
  },
  {
    name: 'Harbour at dusk',
    inks: [
      { name: 'Last light', colour: '#f3d9b4' },
      { name: 'Lamp', colour: '#e9a13b' },
      { name: 'Net', colour: '#c7645c' },
      { name: 'Heather', colour: '#7d5a7e' },
      { name: 'Slack tide', colour: '#2f5d62' },
      { name: 'Night', colour: '#1b2136' },
    ],
  },
];
