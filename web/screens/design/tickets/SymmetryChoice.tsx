import { RadioGroup } from '@headlessui/react';
import {
  isFolded,
  mirroredStep,
  type Mirroring,
  mirroringsOf,
  planeGroupOf,
  type Repeat,
  rotatedStep,
  rotationsOf,
  type StepRotation,
} from '../../../../core/lattice/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { StepDiagram } from '../../../ui/StepDiagram.tsx';
import { useStore } from '../../../ui/store.ts';
import { Tick } from '../../../ui/Tick.tsx';
import { StepCard } from './StepCard.tsx';
import { useStep } from './useStep.ts';
import { TEXTS } from './texts.ts';

type Symmetry = Mirroring | StepRotation | 'none';

const SYMMETRIES: Readonly<Record<Symmetry, string>> = {
  none: TEXTS.asTheyAre,
  columns: TEXTS.columnsMirrored,
  rows: TEXTS.rowsMirrored,
  both: TEXTS.mirroredBothWays,
  'chess-across': TEXTS.chessAcross,
  'chess-down': TEXTS.chessDown,
  glides: TEXTS.glides,
  'columns-turned': TEXTS.columnsTurned,
  'rows-turned': TEXTS.rowsTurned,
  half: TEXTS.halfTurns,
  quarter: TEXTS.quarterTurns,
  p4m: TEXTS.halfSquares,
  p4g: TEXTS.halfSquaresTurned,
  third: TEXTS.thirdTurns,
  p3m1: TEXTS.triangles,
  p31m: TEXTS.kites,
  sixth: TEXTS.sixthTurns,
  p6m: TEXTS.starTriangles,
};

const isRotation = (symmetry: Symmetry): symmetry is StepRotation =>
  rotationsOf({ kind: 'square' }).some((rotation) => rotation === symmetry);

/** What cells beside each other are to one another: by translation alone, reflected, rotated, or no rectangles. */
export function SymmetryChoice() {
  const editor = useEditor();
  const { repeat, take, look, stepped } = useStep();
  const marked = useStore(editor.symmetryShown);
  const { mirrored, rotated, honeycomb } = repeat.step;
  if (honeycomb) return null;
  const mirrorings = mirroringsOf(repeat.step);
  const rotations = rotationsOf(repeat.step);
  if (mirrorings.length + rotations.length === 0) return null;
  const withSymmetry = (symmetry: Symmetry): Repeat =>
    stepped(
      isRotation(symmetry)
        ? rotatedStep(repeat.step, symmetry)
        : mirroredStep(repeat.step, symmetry === 'none' ? undefined : symmetry),
    );
  const folded = (symmetry: Symmetry): boolean => isFolded(withSymmetry(symmetry).step);
  const groups: readonly (readonly [string, readonly Symmetry[]])[] = [
    [TEXTS.neighbouringCells, ['none', ...rotations.filter((one) => !folded(one))]],
    [TEXTS.reflected, mirrorings.filter((one) => !folded(one))],
    [TEXTS.cellsOfOtherShapes, [...mirrorings, ...rotations].filter(folded)],
  ];
  return (
    <div>
      <RadioGroup
        value={mirrored ?? rotated ?? 'none'}
        onChange={(symmetry: Symmetry) => take(withSymmetry(symmetry))}
        aria-label={TEXTS.neighbouringCells}
        className="grid gap-2"
      >
        {groups
          .filter(([, symmetries]) => symmetries.length > 0)
          .map(([name, symmetries]) => (
            <div key={name} role="presentation">
              <span className="mb-0.5 block text-xs text-graphite">{name}</span>
              <div className="grid auto-rows-fr grid-cols-3 gap-1">
                {symmetries.map((symmetry) => (
                  <StepCard key={symmetry} value={symmetry} look={look(withSymmetry(symmetry))}>
                    <StepDiagram step={withSymmetry(symmetry).step} />
                    <span>
                      {SYMMETRIES[symmetry]}{' '}
                      <span className="text-graphite">{planeGroupOf(withSymmetry(symmetry).step)}</span>
                    </span>
                  </StepCard>
                ))}
              </div>
            </div>
          ))}
      </RadioGroup>
      {(mirrored ?? rotated) && (
        <Tick label={TEXTS.showAxesAndCentres} on={marked} onChange={(isShown) => editor.symmetryShown.set(isShown)} />
      )}
    </div>
  );
}
