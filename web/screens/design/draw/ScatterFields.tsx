import { Trash2 } from 'lucide-react';
import type { Scatter } from '../../../../core/toss/index.ts';
import { blobUrl } from '../../../api/client.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { Tick } from '../../../ui/Tick.tsx';
import { MotifPick } from '../tickets/MotifPick.tsx';
import { SizeFields } from './SizeFields.tsx';
import { TEXTS } from './texts.ts';

const ROTATIONS: readonly { readonly value: Scatter['rotation']; readonly name: string }[] = [
  { value: 'any', name: TEXTS.any },
  { value: 'along', name: TEXTS.alongTheLine },
  { value: 'upright', name: TEXTS.upright },
];

/** What is scattered along a line, how close and how large. */
export function ScatterFields() {
  const { scatterBrush, motifs: known } = useEditor();
  const scatter = useStore(scatterBrush.scatter);
  const motifs = useStore(known);
  const change = (part: Partial<Scatter>): void => scatterBrush.change(part);
  return (
    <>
      <p className="text-sm">{TEXTS.scatterAlong}</p>
      <ul aria-label={TEXTS.motifsToScatter} className="grid gap-1.5">
        {scatter.motifs.map((id) => {
          const motif = motifs.find((one) => one.id === id);
          const name = motif?.name ?? TEXTS.aMotif;
          return (
            <li
              key={id}
              className="grid grid-cols-[36px_minmax(0,1fr)_32px] items-center gap-2 rounded-md border border-thread bg-white p-1"
            >
              <span className="grid h-9 w-9 place-items-center">
                {motif && <img src={blobUrl(motif.thumbnail)} alt="" className="max-h-9 max-w-9 motif-thumb" />}
              </span>
              <span className="truncate text-sm font-medium">{name}</span>
              <Button
                look="quiet"
                label={TEXTS.doNotScatter(name)}
                onClick={() => change({ motifs: scatter.motifs.filter((one) => one !== id) })}
              >
                <Trash2 size={15} aria-hidden />
              </Button>
            </li>
          );
        })}
      </ul>
      <MotifPick
        label={TEXTS.addAMotif}
        prompt={TEXTS.addAMotif}
        without={new Set(scatter.motifs)}
        onPick={({ id }) => change({ motifs: [...scatter.motifs, id] })}
      />
      <div className="grid grid-cols-2 gap-2">
        <LengthField
          label={TEXTS.spacing}
          mm={scatter.spacing}
          min={0.5}
          max={1000}
          onChange={(spacing) => change({ spacing })}
        />
        <LengthField label={TEXTS.gap} mm={scatter.gap} min={0} max={200} onChange={(gap) => change({ gap })} />
        <SizeFields smallest={scatter.smallest} largest={scatter.largest} onChange={change} />
      </div>
      <Choice
        label={TEXTS.rotation}
        captioned
        value={scatter.rotation}
        options={ROTATIONS}
        onChange={(rotation) => change({ rotation })}
      />
      <div className="grid grid-cols-2 items-end gap-2">
        <AmountField
          label={TEXTS.seed}
          value={scatter.seed}
          min={1}
          max={9999}
          onChange={(seed) => change({ seed: Math.round(seed) })}
        />
        <Tick
          label={TEXTS.allowOverlaps}
          on={scatter.overlapping}
          onChange={(overlapping) => change({ overlapping })}
        />
      </div>
    </>
  );
}
