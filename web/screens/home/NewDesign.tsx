import { Radio, RadioGroup } from '@headlessui/react';
import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { resizeCell } from '../../../core/arrange/index.ts';
import { honeycombOf, LARGEST_CELL_MM, type Repeat, SMALLEST_CELL_MM, step } from '../../../core/lattice/index.ts';
import { useCreateDesign } from '../../api/designs.ts';
import { Button } from '../../ui/Button.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { DialogFoot } from '../../ui/DialogFoot.tsx';
import { StepDiagram } from '../../ui/StepDiagram.tsx';
import { TEXTS } from './texts.ts';

const STEPS = [
  { kind: 'square', name: TEXTS.square },
  { kind: 'half-drop', name: TEXTS.halfDrop },
  { kind: 'brick', name: TEXTS.brick },
  { kind: 'honeycomb', name: TEXTS.honeycomb },
  { kind: 'tossed', name: TEXTS.tossed },
] as const;
type Kind = (typeof STEPS)[number]['kind'];

function repeatOf(kind: Kind, size: { readonly width: number; readonly height: number }): Repeat {
  if (kind === 'honeycomb') return honeycombOf({ ...size, step: step('half-drop') });
  // A toss is in the placing; its cell steps by a half so that the repeat shows less.
  return { ...size, step: step(kind === 'tossed' ? 'half-drop' : kind) };
}

/** Asks for a name and a repeat; everything can be changed later. */
export function NewDesign({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<Kind>('half-drop');
  const [size, setSize] = useState<{ readonly width: number; readonly height: number }>({ width: 240, height: 240 });
  const create = useCreateDesign();
  const navigate = useNavigate();

  const submit = (event: FormEvent): void => {
    event.preventDefault();
    create.mutate(
      { name: name.trim() || TEXTS.untitledRepeat, repeat: repeatOf(kind, size) },
      { onSuccess: ({ design }) => void navigate(`/designs/${design.id}${kind === 'tossed' ? '?show=toss' : ''}`) },
    );
  };

  return (
    <Dialog title={TEXTS.newDesign} open={open} onClose={onClose}>
      <form onSubmit={submit} className="grid gap-4">
        <label className="block">
          <span className="mb-0.5 block text-xs text-graphite">{TEXTS.name}</span>
          <input
            autoFocus
            value={name}
            maxLength={120}
            onChange={(event) => setName(event.target.value)}
            placeholder={TEXTS.untitledRepeat}
            className="h-8 w-full rounded-md border border-thread bg-white px-2"
          />
        </label>
        <RadioGroup value={kind} onChange={setKind} aria-label={TEXTS.layout} className="grid grid-cols-5 gap-1.5">
          {STEPS.map((one) => (
            <Radio
              key={one.kind}
              value={one.kind}
              className="flex cursor-pointer flex-col items-center gap-1 rounded-md border border-thread bg-white py-3 text-sm data-checked:border-ink data-checked:ring-1 data-checked:ring-ink"
            >
              {one.kind === 'tossed' ? <TossDiagram /> : <StepDiagram step={repeatOf(one.kind, size).step} />}
              {one.name}
            </Radio>
          ))}
        </RadioGroup>
        <div className="grid grid-cols-2 gap-2">
          <LengthField
            label={TEXTS.cellWidth}
            mm={repeatOf(kind, size).width}
            min={SMALLEST_CELL_MM}
            max={LARGEST_CELL_MM}
            onChange={(width) => setSize(resizeCell(repeatOf(kind, size), 'width', width))}
          />
          <LengthField
            label={TEXTS.cellHeight}
            mm={repeatOf(kind, size).height}
            min={SMALLEST_CELL_MM}
            max={LARGEST_CELL_MM}
            onChange={(height) => setSize(resizeCell(repeatOf(kind, size), 'height', height))}
          />
        </div>
        {create.isError && (
          <p role="alert" className="text-sm text-madder">
            {create.error.message}
          </p>
        )}
        <DialogFoot>
          <Button onClick={onClose}>{TEXTS.cancel}</Button>
          <Button type="submit" look="accent" disabled={create.isPending}>
            {TEXTS.create}
          </Button>
        </DialogFoot>
      </form>
    </Dialog>
  );
}

/** Leaves at many angles, as a toss lays them. */
function TossDiagram() {
  const leaves = [
    [9, 9, 20],
    [25, 7, 115],
    [40, 12, 70],
    [14, 25, 150],
    [30, 22, -30],
    [43, 29, 10],
    [7, 36, 80],
    [24, 35, 45],
    [38, 38, 160],
  ];
  return (
    <svg width="48" height="40" viewBox="0 0 48 40" aria-hidden className="shrink-0 overflow-hidden rounded-xs">
      {leaves.map(([x, y, angle]) => (
        <path
          key={`${x} ${y}`}
          d="M-5 0Q0 -4 5 0Q0 4 -5 0Z"
          transform={`translate(${x} ${y}) rotate(${angle})`}
          fill="currentColor"
          fillOpacity="0.25"
          stroke="currentColor"
        />
      ))}
    </svg>
  );
}
