import { Radio, RadioGroup } from '@headlessui/react';
import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { LARGEST_CELL_MM, SMALLEST_CELL_MM } from '../../core/repeat/repeat.ts';
import { step, type StepKind } from '../../core/repeat/step.ts';
import { useCreateDesign } from '../api/designs.ts';
import { Button } from '../shared/Button.tsx';
import { LengthField } from '../shared/LengthField.tsx';
import { Sheet } from '../shared/Sheet.tsx';
import { StepDiagram } from '../shared/StepDiagram.tsx';

const STEPS: readonly { kind: StepKind; name: string }[] = [
  { kind: 'square', name: 'Square' },
  { kind: 'half-drop', name: 'Half-drop' },
  { kind: 'brick', name: 'Brick' },
];

/** Asks for a name and a repeat; everything can be changed later. */
export function NewDesign({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<StepKind>('half-drop');
  const [size, setSize] = useState({ width: 240, height: 240 });
  const create = useCreateDesign();
  const navigate = useNavigate();

  const submit = (event: FormEvent): void => {
    event.preventDefault();
    create.mutate(
      { name: name.trim() || 'Untitled repeat', repeat: { ...size, step: step(kind) } },
      { onSuccess: ({ design }) => void navigate(`/designs/${design.id}`) },
    );
  };

  return (
    <Sheet title="New design" open={open} onClose={onClose}>
      <form onSubmit={submit} className="grid gap-4">
        <label className="block">
          <span className="mb-0.5 block text-xs text-graphite">Name</span>
          <input autoFocus value={name} maxLength={120} onChange={(event) => setName(event.target.value)} placeholder="Untitled repeat" className="h-8 w-full rounded-md border border-thread bg-white px-2" />
        </label>
        <RadioGroup value={kind} onChange={setKind} aria-label="Step" className="grid grid-cols-3 gap-2">
          {STEPS.map((one) => (
            <Radio key={one.kind} value={one.kind} className="flex cursor-pointer flex-col items-center gap-1 rounded-md border border-thread bg-white py-3 text-sm data-checked:border-ink data-checked:ring-1 data-checked:ring-ink">
              <StepDiagram step={step(one.kind)} />
              {one.name}
            </Radio>
          ))}
        </RadioGroup>
        <div className="grid grid-cols-2 gap-2">
          <LengthField label="Cell width" mm={size.width} min={SMALLEST_CELL_MM} max={LARGEST_CELL_MM} onChange={(width) => setSize({ ...size, width })} />
          <LengthField label="Cell height" mm={size.height} min={SMALLEST_CELL_MM} max={LARGEST_CELL_MM} onChange={(height) => setSize({ ...size, height })} />
        </div>
        {create.isError && (
          <p role="alert" className="text-sm text-madder">
            {create.error.message}
          </p>
        )}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" look="accent" disabled={create.isPending}>
            Begin
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
