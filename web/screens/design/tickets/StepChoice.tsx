import { Listbox, ListboxButton, ListboxOption, ListboxOptions, RadioGroup } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import { everyFraction, honeycombOf, type Repeat, rotatedStep, step } from '../../../../core/lattice/index.ts';
import { formatLength } from '../../../../core/units/index.ts';
import { useUnit } from '../../../ui/unit.ts';
import { FractionOffers } from './FractionOffers.tsx';
import { StepCard } from './StepCard.tsx';
import { StepKinds } from './StepKinds.tsx';
import { SymmetryChoice } from './SymmetryChoice.tsx';
import { TypedDrop } from './TypedDrop.tsx';
import { useStep } from './useStep.ts';
import { TEXTS } from './texts.ts';

/** How cells follow each other. What is pointed at is shown on the cloth, and taken by a click. */
export function StepChoice() {
  const { repeat, take, look, stepped } = useStep();
  const [unit] = useUnit();
  const { kind, drop, mirrored, rotated, honeycomb } = repeat.step;
  const ofFraction = (text: string): Repeat => {
    const [p, q] = text.split('/').map(Number) as [number, number];
    const plain = step(kind, p, q);
    return stepped(rotated ? rotatedStep(plain, rotated) : plain);
  };
  return (
    <>
      <StepKinds />
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
      <SymmetryChoice />
      {kind !== 'square' && !honeycomb && !mirrored && !rotated && <FractionOffers />}
    </>
  );
}
