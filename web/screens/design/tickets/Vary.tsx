import { Shuffle } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { NO_VARIATION_PLAN, type VariationPlan, varyPlacements } from '../../../../core/arrange/index.ts';
import { blobUrl } from '../../../api/client.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Button } from '../../../ui/Button.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { MotifPick } from './MotifPick.tsx';
import { TEXTS } from './texts.ts';

/** Random turn, size and mirroring of what is chosen, and other motifs from a pool; seen on the cloth while the limits are tried. */
export function Vary() {
  const editor = useEditor();
  const { ids } = useStore(editor.selection);
  const [open, setOpen] = useState(false);
  if (!open) {
    return (
      <Button onClick={() => setOpen(true)}>
        <Shuffle size={15} aria-hidden /> {TEXTS.vary}
      </Button>
    );
  }
  return <OpenVary key={ids.join(' ')} onDone={() => setOpen(false)} />;
}

const FIRST: VariationPlan = { ...NO_VARIATION_PLAN, rotation: 15, size: 0.1 };

function OpenVary({ onDone }: { readonly onDone: () => void }) {
  const editor = useEditor();
  const committed = useStore(editor.session, (state) => state.committed);
  const { ids } = useStore(editor.selection);
  const motifs = useStore(editor.motifs);
  const [variety, setVariety] = useState(FIRST);
  const command = useMemo(
    () =>
      varyPlacements(
        committed,
        committed.placements.filter(({ id }) => ids.includes(id)),
        new Map(motifs.map((motif) => [motif.id, motif])),
        variety,
      ),
    [committed, ids, motifs, variety],
  );
  useEffect(() => {
    editor.session.preview(command);
    return () => editor.session.preview(undefined);
  }, [editor, command]);
  const change = (part: Partial<VariationPlan>): void => setVariety({ ...variety, ...part });
  const { pool } = variety;
  return (
    <section aria-label={TEXTS.varyText} className="grid gap-2 rounded-md border border-thread bg-white p-3">
      <div className="grid grid-cols-2 gap-2">
        <AmountField
          label={TEXTS.rotateByUpTo}
          sign="°"
          value={variety.rotation}
          min={0}
          max={180}
          step={5}
          onChange={(rotation) => change({ rotation })}
        />
        <AmountField
          label={TEXTS.scaleByUpTo}
          sign="%"
          value={variety.size * 100}
          min={0}
          max={90}
          step={5}
          onChange={(percent) => change({ size: percent / 100 })}
        />
        <AmountField
          label={TEXTS.flipAShareOf}
          sign="%"
          value={variety.flip * 100}
          min={0}
          max={100}
          step={10}
          onChange={(percent) => change({ flip: percent / 100 })}
        />
        <AmountField
          label={TEXTS.variationSeed}
          value={variety.seed}
          min={1}
          max={9999}
          onChange={(seed) => change({ seed: Math.round(seed) })}
        />
      </div>
      <details>
        <summary className="cursor-pointer text-xs text-graphite">
          {TEXTS.fromAPoolOfMotifs(pool.length > 0 ? `: ${pool.length}` : '')}
        </summary>
        <ul aria-label={TEXTS.pool} className="mt-1.5 grid max-h-40 grid-cols-5 gap-1 overflow-y-auto">
          {motifs
            .filter(({ deleted }) => !deleted)
            .map(({ id, name, thumbnail }) => (
              <li key={id}>
                <button
                  type="button"
                  title={name}
                  aria-label={TEXTS.nameInThePool(name)}
                  aria-pressed={pool.includes(id)}
                  onClick={() => change({ pool: pool.includes(id) ? pool.filter((one) => one !== id) : [...pool, id] })}
                  className={`grid h-11 w-full place-items-center rounded-md border p-1 ${pool.includes(id) ? 'border-ink ring-1 ring-ink' : 'border-thread'}`}
                >
                  <img src={blobUrl(thumbnail)} alt="" loading="lazy" className="h-full w-full motif-thumb" />
                </button>
              </li>
            ))}
        </ul>
        <MotifPick
          label={TEXTS.addToThePool}
          prompt={TEXTS.addToThePoolPrompt}
          without={new Set(pool)}
          onPick={({ id }) => change({ pool: [...pool, id] })}
        />
      </details>
      <div className="grid grid-cols-3 gap-2">
        <Button onClick={onDone}>{TEXTS.cancel}</Button>
        <Button onClick={() => change({ seed: variety.seed + 1 })}>{TEXTS.newSeed}</Button>
        <Button
          look="accent"
          onClick={() => {
            editor.commit(TEXTS.variedMotifs(ids.length), command);
            onDone();
          }}
        >
          {TEXTS.apply}
        </Button>
      </div>
    </section>
  );
}
