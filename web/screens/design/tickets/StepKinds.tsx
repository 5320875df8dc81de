import { RadioGroup } from '@headlessui/react';
import { honeycombOf, type Repeat, type Step } from '../../../../core/lattice/index.ts';
import { StepDiagram } from '../../../ui/StepDiagram.tsx';
import { StepCard } from './StepCard.tsx';
import { useStep } from './useStep.ts';
import { TEXTS } from './texts.ts';

type Kind = Step['kind'] | 'honeycomb';

const KINDS: readonly { readonly kind: Kind; readonly name: string }[] = [
  { kind: 'square', name: TEXTS.square },
  { kind: 'half-drop', name: TEXTS.halfDrop },
  { kind: 'brick', name: TEXTS.brick },
  { kind: 'honeycomb', name: TEXTS.honeycomb },
];

/** The four ways in which cells follow each other. What is pointed at is shown on the cloth, and taken by a click. */
export function StepKinds() {
  const { repeat, take, look, ofKind } = useStep();
  const of = (kind: Kind): Repeat => (kind === 'honeycomb' ? honeycombOf(repeat) : ofKind(kind));
  return (
    <RadioGroup
      value={repeat.step.honeycomb ? 'honeycomb' : repeat.step.kind}
      onChange={(kind: Kind) => take(of(kind))}
      aria-label={TEXTS.step}
      className="grid grid-cols-4 gap-1"
    >
      {KINDS.map(({ kind, name }) => (
        <StepCard key={kind} value={kind} look={look(of(kind))}>
          <StepDiagram step={plainly(of(kind).step)} />
          {name}
        </StepCard>
      ))}
    </RadioGroup>
  );
}

/** What its name says, whatever else is done to its cells. */
const plainly = ({ kind, drop, honeycomb }: Step): Step => ({ kind, drop, ...(honeycomb && { honeycomb }) });
