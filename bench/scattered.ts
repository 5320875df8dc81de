import { type Design, newDesign, newPlacement, type Placement } from '../core/document/index.ts';
import { step } from '../core/lattice/index.ts';
import { LOW_TIDE } from '../demo/collection.ts';
import { INKS } from '../demo/draw/block.ts';
import { sampleMotifId } from '../demo/sampleDesign.ts';

export const SIDE_MM = 640;

/** The sample motifs over one large cell, always the same. */
export function scattered(count: number): Design {
  let state = count;
  const random = (): number => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
  const id = `bench-${count}`;
  const scale = 0.9 * Math.sqrt(300 / count);
  const placements = Array.from({ length: count }, (_, i): Placement => ({
    ...newPlacement(
      `${id}-${i}`,
      { id: sampleMotifId(LOW_TIDE[i % LOW_TIDE.length]?.id ?? '') },
      { x: random() * SIDE_MM, y: random() * SIDE_MM },
    ),
    rotation: random() * 360,
    scale,
    flipped: random() < 0.5,
  }));
  const plain = newDesign(id, `${count} motifs`, { width: SIDE_MM, height: SIDE_MM, step: step('half-drop') });
  const inks = Object.entries(INKS).map(([name, hex]) => ({ id: name, name, prints: [hex] }));
  return {
    ...plain,
    inks: [...plain.inks, ...inks],
    colourways: plain.colourways.map((colourway) => ({ ...colourway, colours: { ...colourway.colours, ...INKS } })),
    placements,
  };
}
