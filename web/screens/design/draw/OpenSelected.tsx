import type { LucideIcon } from 'lucide-react';
import type { DesignMotif } from '../../../../contract/index.ts';
import type { Placement } from '../../../../core/document/index.ts';
import type { Artwork } from '../../../../core/motif/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import type { KeptMask, KeptPoints } from '../../../editor/keptDrawing.ts';
import { Button } from '../../../ui/Button.tsx';
import { useNotifyProblem } from '../../../ui/Notices.tsx';
import { useStore } from '../../../ui/store.ts';
import { originalOf } from './originalOf.ts';

interface Props {
  /** The kind of recipe that it is opened for: of a motif that has one already the artwork as it was before is opened. */
  readonly kind: 'points' | 'masked';
  readonly note: string;
  readonly Icon: LucideIcon;
  /** What was begun in this browser and not finished. */
  readonly kept: KeptPoints | KeptMask | undefined;
  readonly goOnText: (name: string) => string;
  readonly openText: (name: string) => string;
  readonly open: (at: Placement, of: DesignMotif, artwork: Artwork) => void;
}

/** Opens the motif that is selected for a change of its own, or goes on with one that was not finished. */
export function OpenSelected({ kind, note, Icon, kept, goOnText, openText, open }: Props) {
  const editor = useEditor();
  useStore(editor.selection);
  useStore(editor.session);
  useStore(editor.motifs);
  const notifyProblem = useNotifyProblem();
  const [placement, ...others] = editor.selectedInstances;
  const motif = placement && others.length === 0 ? editor.motif(placement.motif) : undefined;
  const start = (at: Placement, of: DesignMotif): void =>
    void originalOf(kind, of)
      .then((artwork) => open(at, of, artwork))
      .catch(notifyProblem);
  const keptAt = kept && editor.placement(kept.placement);
  const keptMotif = kept && editor.motif(kept.motif);
  return (
    <>
      <p className="text-sm">{note}</p>
      {kept && keptAt && keptMotif && (
        <Button onClick={() => start(keptAt, { ...keptMotif, recipe: kept.recipe })}>
          <span className="truncate">{goOnText(keptMotif.name)}</span>
        </Button>
      )}
      {placement && motif && (
        <Button onClick={() => start(placement, motif)}>
          <Icon size={15} aria-hidden className="shrink-0" />
          <span className="truncate">{openText(motif.name)}</span>
        </Button>
      )}
    </>
  );
}
