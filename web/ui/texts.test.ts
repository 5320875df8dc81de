import { describe, expect, it } from 'vitest';
import { SQUARE, step, repeatText, stepText } from '../../core/lattice/index.ts';
import { exportPlan, tileOrder } from '../../core/export/index.ts';
import { fitText } from './fitText.ts';

describe('what is written about a repeat', () => {
  it('names size and step in the unit of the studio', () => {
    expect(repeatText({ width: 240, height: 320, step: step('half-drop') }, 'mm')).toBe('240 × 320 mm half-drop');
    expect(repeatText({ width: 240, height: 320, step: step('half-drop', 1, 3) }, 'cm')).toBe('24 × 32 cm drop of 1/3');
    expect(repeatText({ width: 50.8, height: 25.4, step: step('brick', 2, 5) }, 'in')).toBe('2 × 1 in brick of 2/5');
    expect(stepText(SQUARE)).toBe('square');
  });

  it('tells what whole pixels cost', () => {
    expect(
      fitText(exportPlan({ width: 254, height: 127, step: SQUARE }, tileOrder({ kind: 'density', dpi: 100 }))),
    ).toBe('Whole pixels fit the cell exactly.');
    expect(
      fitText(
        exportPlan({ width: 640, height: 640, step: step('half-drop') }, tileOrder({ kind: 'density', dpi: 300 })),
      ),
    ).toBe('Whole pixels make the cell 0.005 mm narrower (0.001 %) and 0.08 mm higher (0.013 %).');
    expect(
      fitText(exportPlan({ width: 254, height: 100, step: SQUARE }, tileOrder({ kind: 'density', dpi: 100 }))),
    ).toBe('Whole pixels make the cell exactly as wide and 0.076 mm higher (0.076 %).');
  });
});
