import { motifsOfInk, splitInkByMotif } from '../../../../core/colourway/index.ts';
import type { Ink } from '../../../../core/document/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useColourway } from '../../../cloth/useColourway.ts';
import { Button } from '../../../ui/Button.tsx';
import { useStore } from '../../../ui/store.ts';
import { freeInk } from './freeInk.ts';
import { TEXTS } from './texts.ts';

/** Says that an ink changes wherever it is used, and gives the one motif that is selected an ink of its own when that is wished. */
export function OnlyHere({ ink }: { readonly ink: Ink }) {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const { colours } = useColourway();
  const { ids } = useStore(editor.selection);
  useStore(editor.motifs);
  const inMotifs = motifsOfInk(design, editor.motifMap, ink.id);
  const [id, other] = new Set(design.placements.flatMap((one) => (ids.includes(one.id) ? [one.motif] : [])));
  const motif = id !== undefined && other === undefined ? editor.motif(id) : undefined;
  if (!motif || inMotifs.length < 2 || !inMotifs.includes(motif.id)) return null;
  const split = (): void => {
    const free = freeInk(design, colours[ink.id] ?? '#808080');
    // What is coloured next is what was split off.
    if (editor.commit(TEXTS.splitName(ink.name), splitInkByMotif(design, ink.id, motif, free))) editor.ink.set(free.id);
  };
  return (
    <div className="flex items-center justify-between gap-2 text-xs text-graphite">
      {TEXTS.changesEverywhere(inMotifs.length)}
      <Button title={TEXTS.onlyHereNote(motif.name)} onClick={split}>
        {TEXTS.onlyHere}
      </Button>
    </div>
  );
}
