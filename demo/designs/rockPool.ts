import { honeycombOf, step } from '../../core/lattice/index.ts';
import { sampleDesign, type Laid } from '../sampleDesign.ts';

const HIGH = 180;
const REPEAT = honeycombOf({ width: HIGH, height: HIGH, step: step('half-drop') });
const MIDDLE = { x: REPEAT.width / 2, y: REPEAT.height / 2 };

/** A motif so many mm from the middle of the comb, looking outwards. */
function around(motif: string, from: number, degrees: number, scale: number): Laid {
  const angle = (degrees * Math.PI) / 180;
  return [motif, MIDDLE.x + from * Math.cos(angle), MIDDLE.y + from * Math.sin(angle), degrees + 90, scale];
}

const SIXTHS = [0, 60, 120, 180, 240, 300];

/** A painted anemone in the middle of each comb, limpets around it, mussels along the sides, and a sand dollar where three combs meet. */
export const rockPool = sampleDesign('low-tide-rock-pool', 'Rock pool', REPEAT, { ground: '#dfe6dc' }, [
  ['anemone', MIDDLE.x, MIDDLE.y, 0, 1.15],
  ...SIXTHS.map((degrees) => around('limpet', 50, degrees + 30, 0.95)),
  ...SIXTHS.map((degrees) => around('barnacle', 46, degrees, 0.8)),
  // Each side is shared by two combs, and each corner by three: of six, half and a third belong to one.
  ...[30, 90, 150].map((degrees) => around('mussel', HIGH / 2, degrees, 0.62)),
  ...[0, 180].map((degrees) => around('sand-dollar', HIGH / Math.sqrt(3), degrees, 0.85)),
]);
