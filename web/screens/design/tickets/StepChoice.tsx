import { stepText } from '../../../../core/lattice/index.ts';
import { Listbox, ListboxButton, ListboxOption, ListboxOptions, Radio, RadioGroup } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import type { ReactNode } from 'react';
import {
  everyFraction,
  honeycombOf,
  mirroredStep,
  type Mirroring,
  mirroringsOf,
  planeGroupOf,
  type Repeat,
  rotatedStep,
  rotationsOf,
  step,
  type Step,
  type StepRotation,
  withStep,
} from '../../../../core/lattice/index.ts';
import { formatLength } from '../../../../core/units/index.ts';
import { StepDiagram } from '../../../ui/StepDiagram.tsx';
import { Tick } from '../../../ui/Tick.tsx';
import { useStore } from '../../../ui/store.ts';
import { useUnit } from '../../../ui/unit.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { FractionOffers } from './FractionOffers.tsx';
import { TypedDrop } from './TypedDrop.tsx';
import { TEXTS } from './texts.ts';

type Kind = Step['kind'] | 'honeycomb';

const KINDS: readonly { readonly kind: Kind; readonly name: string }[] = [
  { kind: 'square', name: TEXTS.square },
  { kind: 'half-drop', name: TEXTS.halfDrop },
  { kind: 'brick', name: TEXTS.brick },
  { kind: 'honeycomb', name: TEXTS.honeycomb },
];
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

/** How cells follow each other. What is pointed at is shown on the cloth, and taken by a click. */
export function StepChoice() {
  const editor = useEditor();
  const committed = useStore(editor.session, (state) => state.committed);
  const [unit] = useUnit();
  const marked = useStore(editor.symmetryShown);
  const { repeat } = committed;
  const { kind, drop, mirrored, rotated, honeycomb } = repeat.step;
  const take = (next: Repeat): boolean =>
    editor.commit(TEXTS.changedTheStepToStep(stepText(next.step)), { type: 'repeat', repeat: next });
  const look = (next: Repeat) => ({
    onPointerEnter: () => editor.session.preview({ type: 'repeat', repeat: next }),
    onPointerLeave: () => editor.session.preview(undefined),
  });
  const stepped = (step: Step): Repeat => withStep(repeat, step);
  const ofKind = (one: Kind): Repeat =>
    one === 'honeycomb'
      ? honeycombOf(repeat)
      : stepped(
          one === kind && !honeycomb
            ? repeat.step
            : one === 'square' || drop.p === 0
              ? step(one)
              : step(one, drop.p, drop.q),
        );
  const withSymmetry = (symmetry: Symmetry): Repeat =>
    stepped(
      isRotation(symmetry)
        ? rotatedStep(repeat.step, symmetry)
        : mirroredStep(repeat.step, symmetry === 'none' ? undefined : symmetry),
    );
  const possible: readonly Symmetry[] = honeycomb ? [] : [...mirroringsOf(repeat.step), ...rotationsOf(repeat.step)];
  const ofFraction = (text: string): Repeat => {
    const [p, q] = text.split('/').map(Number) as [number, number];
    const plain = step(kind, p, q);
    return stepped(rotated ? rotatedStep(plain, rotated) : plain);
  };
  return (
    <>
      <RadioGroup
        value={honeycomb ? 'honeycomb' : kind}
        onChange={(kind: Kind) => take(ofKind(kind))}
        aria-label={TEXTS.step}
        className="grid grid-cols-[1fr_1fr_1fr_1.2fr] gap-1.5"
      >
        {KINDS.map(({ kind: one, name }) => (
          <StepCard key={one} value={one} look={look(ofKind(one))}>
            <StepDiagram step={ofKind(one).step} />
            {name}
          </StepCard>
        ))}
      </RadioGroup>
      {honeycomb && (
        <RadioGroup
          value={kind === 'brick' ? 'brick' : 'half-drop'}
          onChange={(one: 'half-drop' | 'brick') => take(honeycombOf(stepped(step(one))))}
          aria-label={TEXTS.honeycomb}
          className="grid grid-cols-2 gap-1.5"
        >
          {(['half-drop', 'brick'] as const).map((one) => (
            <StepCard key={one} value={one} look={look(honeycombOf(stepped(step(one))))}>
              {one === 'brick' ? TEXTS.inRows : TEXTS.inColumns}
            </StepCard>
          ))}
        </RadioGroup>
      )}
      {kind !== 'square' && !honeycomb && !mirrored && (
        <div>
          <span className="mb-0.5 block text-xs text-graphite" id="fraction-label">
            {kind === 'half-drop' ? TEXTS.eachColumnDropsBy : TEXTS.eachRowShiftsBy}
          </span>
          <Listbox value={`${drop.p}/${drop.q}`} onChange={(text: string) => take(ofFraction(text))}>
            <ListboxButton
              aria-labelledby="fraction-label"
              className="flex h-8 w-full items-center justify-between rounded-md border border-thread bg-white px-2 text-sm"
            >
              {drop.p}/{drop.q} {TEXTS.ofThe} {kind === 'half-drop' ? 'height' : 'width'},{' '}
              {formatLength((kind === 'half-drop' ? repeat.height : repeat.width) * (drop.p / drop.q), unit)}
              <ChevronDown size={14} aria-hidden />
            </ListboxButton>
            <ListboxOptions
              anchor="bottom start"
              className="z-50 max-h-72 w-(--button-width) overflow-auto rounded-md border border-thread bg-white py-1 text-sm shadow-float"
            >
              {everyFraction().map(({ p, q }) => (
                <ListboxOption
                  key={`${p}/${q}`}
                  value={`${p}/${q}`}
                  className="cursor-pointer data-focus:bg-linen data-selected:font-semibold"
                >
                  <div className="px-3 py-1" {...look(ofFraction(`${p}/${q}`))}>
                    {p}/{q}
                  </div>
                </ListboxOption>
              ))}
            </ListboxOptions>
          </Listbox>
        </div>
      )}
      {kind !== 'square' && !honeycomb && !mirrored && (
        <TypedDrop
          key={`${kind} ${repeat.width} ${repeat.height}`}
          repeat={repeat}
          onTake={(next) => take(stepped(rotated ? rotatedStep(next, rotated) : next))}
        />
      )}
      {possible.length > 0 && (
        <div>
          <span className="mb-0.5 block text-xs text-graphite">{TEXTS.neighbouringCells}</span>
          <RadioGroup
            value={mirrored ?? rotated ?? 'none'}
            onChange={(symmetry: Symmetry) => take(withSymmetry(symmetry))}
            aria-label={TEXTS.neighbouringCells}
            className="grid grid-cols-3 gap-1.5"
          >
            {(['none', ...possible] as const).map((symmetry) => (
              <StepCard key={symmetry} value={symmetry} look={look(withSymmetry(symmetry))}>
                <StepDiagram step={withSymmetry(symmetry).step} />
                <span>
                  {SYMMETRIES[symmetry]}{' '}
                  <span className="text-graphite">{planeGroupOf(withSymmetry(symmetry).step)}</span>
                </span>
              </StepCard>
            ))}
          </RadioGroup>
          {(mirrored ?? rotated) && (
            <Tick
              label={TEXTS.showAxesAndCentres}
              on={marked}
              onChange={(isShown) => editor.symmetryShown.set(isShown)}
            />
          )}
        </div>
      )}
      {kind !== 'square' && !honeycomb && !mirrored && !rotated && <FractionOffers />}
    </>
  );
}

interface CardProps {
  readonly value: string;
  /** What happens while it is pointed at: the radio keeps such handlers to itself. */
  readonly look: { readonly onPointerEnter: () => void; readonly onPointerLeave: () => void };
  readonly children: ReactNode;
}

function StepCard({ value, look, children }: CardProps) {
  return (
    <div {...look}>
      <Radio
        value={value}
        className="flex h-full cursor-pointer flex-col items-center justify-center gap-1 rounded-md border border-thread bg-white px-1 py-2 text-center text-[11px] leading-tight data-checked:border-ink data-checked:ring-1 data-checked:ring-ink"
      >
        {children}
      </Radio>
    </div>
  );
}
