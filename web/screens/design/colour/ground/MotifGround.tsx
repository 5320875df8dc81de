import { nanoid } from 'nanoid';
import { fillingPlacement, GROUND_LAYER, layGround, liftGround } from '../../../../../core/arrange/index.ts';
import type { Motif } from '../../../../../core/motif/index.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { Button } from '../../../../ui/Button.tsx';
import { useStore } from '../../../../ui/store.ts';
import { MotifPick } from '../../tickets/MotifPick.tsx';
import { TEXTS } from './texts.ts';

/** A motif that fills the cell behind all others: a picture that repeats, or a drawing. */
export function MotifGround() {
  const editor = useEditor();
  const motifs = useStore(editor.motifs);
  const repeat = useStore(editor.session, ({ design }) => design.repeat);
  const laid = useStore(editor.session, ({ design }) => design.placements.find(({ layer }) => layer === GROUND_LAYER));
  const motif = motifs.find(({ id }) => id === laid?.motif);
  const lay = (one: Motif): void => {
    const command = layGround(editor.design, one, nanoid(8), TEXTS.ground);
    if (command) editor.commit(TEXTS.laidMotifAsGround, command);
    else editor.refusal.set(TEXTS.motifCannotFillTheCell);
  };
  const fitting = laid && motif ? fillingPlacement({ repeat }, motif, laid.id) : undefined;
  // The cell may have been given another size since.
  const fills = fitting && (['x', 'y', 'scale', 'aspect'] as const).every((key) => fitting[key] === laid?.[key]);
  return (
    <div className="grid grid-cols-1 gap-1.5">
      <span className="text-xs text-graphite">{TEXTS.motifAsGround}</span>
      {laid && (
        <div className="flex items-center gap-2">
          <span className="min-w-0 grow truncate text-sm">{motif?.name}</span>
          {motif && !fills && <Button onClick={() => lay(motif)}>{TEXTS.fillTheCell}</Button>}
          <Button
            onClick={() => {
              const command = liftGround(editor.design);
              if (command) editor.commit(TEXTS.liftedMotifGround, command);
            }}
          >
            {TEXTS.removeIt}
          </Button>
        </div>
      )}
      <MotifPick label={TEXTS.motifAsGround} prompt={TEXTS.chooseAMotif} onPick={lay} />
    </div>
  );
}
