import { Trash2 } from 'lucide-react';
import { SIDES, type VineLeaves } from '../../../../core/recipe/index.ts';
import { blobUrl } from '../../../api/client.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { Tick } from '../../../ui/Tick.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { MotifPick } from '../tickets/MotifPick.tsx';
import { SizeFields } from './SizeFields.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly leaves: readonly VineLeaves[];
  readonly onChange: (leaves: readonly VineLeaves[]) => void;
}

const NAMES: Readonly<Record<VineLeaves['side'], string>> = {
  left: TEXTS.left,
  right: TEXTS.right,
  alternate: TEXTS.alternating,
  both: TEXTS.both,
};
const NEW: Omit<VineLeaves, 'motif' | 'spacing'> = {
  offset: 0.5,
  side: 'alternate',
  angle: 50,
  smallest: 0.8,
  largest: 1,
  gap: 0,
  seed: 1,
  mirrored: true,
};

/** The motifs that grow along a vine, each at its own spacing. */
export function LeafList({ leaves, onChange }: Props) {
  const editor = useEditor();
  const motifs = useStore(editor.motifs);
  return (
    <>
      <ul aria-label={TEXTS.leaves} className="grid gap-3">
        {leaves.map((each, n) => {
          const motif = motifs.find(({ id }) => id === each.motif);
          const name = motif?.name ?? TEXTS.aMotif;
          const set = (part: Partial<VineLeaves>): void =>
            onChange(leaves.map((one, m) => (m === n ? { ...one, ...part } : one)));
          return (
            <li key={n} className="grid gap-2 rounded-md border border-thread bg-white p-2">
              <div className="grid grid-cols-[36px_minmax(0,1fr)_32px] items-center gap-2">
                <span className="grid h-9 w-9 place-items-center">
                  {motif && <img src={blobUrl(motif.thumbnail)} alt="" className="max-h-9 max-w-9 motif-thumb" />}
                </span>
                <span className="truncate text-sm font-medium">{name}</span>
                <Button
                  look="quiet"
                  label={TEXTS.deleteLeaf(name)}
                  onClick={() => onChange(leaves.filter((_, m) => m !== n))}
                >
                  <Trash2 size={15} aria-hidden />
                </Button>
              </div>
              <Choice
                label={TEXTS.sideOfLeaf(name)}
                value={each.side}
                options={SIDES.map((value) => ({ value, name: NAMES[value] }))}
                onChange={(side) => set({ side })}
              />
              <div className="grid grid-cols-2 gap-2">
                <LengthField
                  label={TEXTS.spacing}
                  mm={each.spacing}
                  min={0.1}
                  max={2000}
                  onChange={(spacing) => set({ spacing })}
                />
                <AmountField
                  label={TEXTS.angleToTheVine}
                  sign="°"
                  value={each.angle}
                  min={-180}
                  max={180}
                  step={5}
                  onChange={(angle) => set({ angle })}
                />
                <SizeFields smallest={each.smallest} largest={each.largest} onChange={set} />
                <LengthField
                  label={TEXTS.gap}
                  mm={each.gap}
                  signed
                  min={-100}
                  max={100}
                  onChange={(gap) => set({ gap })}
                />
                <AmountField
                  label={TEXTS.seed}
                  value={each.seed}
                  min={1}
                  max={9999}
                  onChange={(seed) => set({ seed: Math.round(seed) })}
                />
              </div>
              <Tick label={TEXTS.mirrorRight} on={each.mirrored} onChange={(mirrored) => set({ mirrored })} />
            </li>
          );
        })}
      </ul>
      <MotifPick
        label={TEXTS.addALeaf}
        prompt={TEXTS.addALeafText}
        without={NO_MOTIFS}
        onPick={({ id, width }) => onChange([...leaves, { ...NEW, motif: id, spacing: Math.ceil(ROOMY * width) }])}
      />
    </>
  );
}

/** New leaves are so many of their own widths apart. */
const ROOMY = 1.5;
const NO_MOTIFS: ReadonlySet<string> = new Set();
