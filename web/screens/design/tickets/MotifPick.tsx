import type { DesignMotif } from '../../../../contract/index.ts';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';

interface Props {
  readonly label: string;
  /** What it says while nothing is picked, which is always. */
  readonly prompt: string;
  /** Motifs that are not offered. */
  readonly without?: ReadonlySet<string>;
  readonly onPick: (motif: DesignMotif) => void;
}

/** Picks one motif of the drawer by its name. */
export function MotifPick({ label, prompt, without, onPick }: Props) {
  const editor = useEditor();
  const motifs = useStore(editor.motifs);
  return (
    <select
      aria-label={label}
      value=""
      onChange={(event) => {
        const motif = editor.motif(event.target.value);
        if (motif) onPick(motif);
      }}
      className="h-8 min-w-0 rounded-md border border-thread bg-white px-2 text-sm"
    >
      <option value="">{prompt}</option>
      {motifs
        .filter(({ id, deleted }) => !deleted && !without?.has(id))
        .map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
    </select>
  );
}
