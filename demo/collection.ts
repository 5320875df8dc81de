import type { Hex } from '../core/colour/index.ts';
import { INKS } from './draw/block.ts';

/** A motif of the sample collection: its file in `motifs/`, its name, its natural width. */
export interface SampleMotif {
  readonly id: string;
  readonly name: string;
  readonly widthMm: number;
}

/** “Low Tide”, drawn for this project by the made-up studio Saltmarsh Row. Heroes, companions, fillers. */
export const LOW_TIDE: readonly SampleMotif[] = [
  { id: 'whelk', name: 'Whelk', widthMm: 66 },
  { id: 'crab', name: 'Crab', widthMm: 112 },
  { id: 'buoy', name: 'Buoy', widthMm: 52 },
  { id: 'reef-knot', name: 'Reef knot', widthMm: 108 },
  { id: 'kelp', name: 'Kelp', widthMm: 96 },
  { id: 'herring', name: 'Herring', widthMm: 96 },
  { id: 'starfish', name: 'Starfish', widthMm: 64 },
  { id: 'scallop', name: 'Scallop', widthMm: 62 },
  { id: 'mussel', name: 'Mussel', widthMm: 34 },
  { id: 'feather', name: 'Gull feather', widthMm: 34 },
  { id: 'urchin', name: 'Urchin', widthMm: 50 },
  { id: 'wrack', name: 'Bladder wrack', widthMm: 84 },
  { id: 'sand-dollar', name: 'Sand dollar', widthMm: 36 },
  { id: 'limpet', name: 'Limpet', widthMm: 28 },
  { id: 'periwinkle', name: 'Periwinkle', widthMm: 22 },
  { id: 'flat-pebble', name: 'Flat pebble', widthMm: 24 },
  { id: 'banded-pebble', name: 'Banded pebble', widthMm: 20 },
  { id: 'bubbles', name: 'Bubbles', widthMm: 26 },
  { id: 'barnacle', name: 'Barnacle', widthMm: 18 },
];

export const COLLECTION = 'Low Tide';

/** A motif that is a painted picture, and the colours that it is mixed of. */
export interface PaintedMotif extends SampleMotif {
  readonly palette: readonly Hex[];
}

export const PAINTED: readonly PaintedMotif[] = [
  { id: 'anemone', name: 'Anemone', widthMm: 58, palette: Object.values(INKS) },
];
