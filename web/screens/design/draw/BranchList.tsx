import { Plus, Trash2 } from 'lucide-react';
import type { VineBranch } from '../../../../core/recipe/index.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly branches: readonly VineBranch[];
  readonly onChange: (branches: readonly VineBranch[]) => void;
}

const SIDES = [
  { value: 'left', name: TEXTS.left },
  { value: 'right', name: TEXTS.right },
] as const;

/** The branches of a vine, each where it grows. */
export function BranchList({ branches, onChange }: Props) {
  const add = (): void => {
    const last = branches.at(-1);
    const at = ((last?.at ?? 0) + 0.25) % 1;
    const side = last?.side === 'left' ? 'right' : 'left';
    onChange([...branches, { length: 40, angle: 40, curl: 160, width: 0.7, ...last, at, side }]);
  };
  return (
    <>
      <ul aria-label={TEXTS.branches} className="grid gap-3">
        {branches.map((branch, n) => {
          const set = (part: Partial<VineBranch>): void =>
            onChange(branches.map((one, m) => (m === n ? { ...one, ...part } : one)));
          return (
            <li key={n} className="grid gap-2 rounded-md border border-thread bg-white p-2">
              <div className="grid grid-cols-[minmax(0,1fr)_32px] items-end gap-2">
                <Choice
                  label={TEXTS.sideOfBranch(n + 1)}
                  value={branch.side}
                  options={SIDES}
                  onChange={(side) => set({ side })}
                />
                <Button
                  look="quiet"
                  label={TEXTS.deleteBranch(n + 1)}
                  onClick={() => onChange(branches.filter((_, m) => m !== n))}
                >
                  <Trash2 size={15} aria-hidden />
                </Button>
              </div>
              <div className="grid grid-cols-2 gap-2">
                <AmountField
                  label={TEXTS.along}
                  sign="%"
                  value={Math.round(100 * branch.at)}
                  min={0}
                  max={100}
                  onChange={(percent) => set({ at: percent / 100 })}
                />
                <LengthField
                  label={TEXTS.length}
                  mm={branch.length}
                  min={0.1}
                  max={2000}
                  onChange={(length) => set({ length })}
                />
                <AmountField
                  label={TEXTS.angleToTheVine}
                  sign="°"
                  value={branch.angle}
                  min={0}
                  max={170}
                  step={5}
                  onChange={(angle) => set({ angle })}
                />
                <AmountField
                  label={TEXTS.curl}
                  sign="°"
                  value={branch.curl}
                  min={-720}
                  max={720}
                  step={15}
                  onChange={(curl) => set({ curl })}
                />
              </div>
            </li>
          );
        })}
      </ul>
      <Button onClick={add}>
        <Plus size={15} aria-hidden /> {TEXTS.addABranch}
      </Button>
    </>
  );
}
