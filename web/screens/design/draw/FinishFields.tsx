import type { Gathering } from '../../../editor/finishDrawing.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { Choice } from '../../../ui/Choice.tsx';
import { useStore } from '../../../ui/store.ts';
import { TEXTS } from './texts.ts';

const GATHERINGS: readonly { readonly value: Gathering; readonly name: string }[] = [
  { value: 'all', name: TEXTS.oneMotif },
  { value: 'near', name: TEXTS.motifsByColour },
  { value: 'join', name: TEXTS.partOfTheNearest },
];
const PAUSES = [0, 2, 5, 15].map((count) => ({
  value: String(count),
  name: count === 0 ? TEXTS.never : TEXTS.seconds(count),
}));

/** When strokes become motifs, and which of them become one. */
export function FinishFields() {
  const { drawing } = useEditor();
  const gathering = useStore(drawing.gathering);
  const pause = useStore(drawing.pause);
  return (
    <>
      <Choice
        label={TEXTS.becomes}
        captioned
        value={gathering}
        options={GATHERINGS}
        onChange={(next) => drawing.gathering.set(next)}
      />
      <Choice
        label={TEXTS.finishAfter}
        captioned
        value={String(pause)}
        options={PAUSES}
        onChange={(next) => drawing.pause.set(Number(next))}
      />
    </>
  );
}
