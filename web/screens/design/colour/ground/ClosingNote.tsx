import { closingWaves, type Waves } from '../../../../../core/lattice/index.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { useStore } from '../../../../ui/store.ts';
import { TEXTS } from './texts.ts';

/** Says so where the step lets another number of waves through than is wished for. @param wished over one cell */
export function ClosingNote({ wished }: { readonly wished: readonly Waves[] }) {
  const editor = useEditor();
  const repeat = useStore(editor.session, ({ design }) => design.repeat);
  const others = wished.flatMap((waves) => {
    const { waves: closing, cells } = closingWaves(repeat, waves);
    const used = { across: closing.across / cells.across, down: closing.down / cells.down };
    return used.across === waves.across && used.down === waves.down ? [] : [used];
  });
  if (others.length === 0) return null;
  const sum = {
    across: Math.max(0, ...others.map(({ across }) => Math.abs(across))),
    down: Math.max(0, ...others.map(({ down }) => Math.abs(down))),
  };
  return <p className="text-xs text-graphite">{TEXTS.closes(sum.across, sum.down)}</p>;
}
