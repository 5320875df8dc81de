import { Columns2, Grid3x3, Layers2, Plus, Sparkles } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useContext } from 'react';
import { addColourway } from '../../../../core/colourway/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useColourway } from '../../../cloth/useColourway.ts';
import { useStore } from '../../../ui/store.ts';
import { ColourwayViewContext } from './colourwayView.ts';
import { TEXTS } from './texts.ts';

/** Which colourway is worked in, and the ways to others. */
export function ColourwayBar() {
  const editor = useEditor();
  const colourways = useStore(editor.session, ({ committed }) => committed.colourways);
  const show = useContext(ColourwayViewContext);
  const { id, name } = useColourway();
  const add = (): void => {
    const next = nanoid(8);
    if (editor.commit(TEXTS.addedColourway, addColourway(editor.design, next, name, id))) editor.colourwayId.set(next);
  };
  return (
    <section aria-label={TEXTS.colourway} className="grid grid-cols-1 gap-2">
      <h3 className="text-xs text-graphite">{TEXTS.colourway}</h3>
      <div className="flex gap-2">
        <select
          aria-label={TEXTS.colourway}
          value={id}
          onChange={(event) => editor.colourwayId.set(event.target.value)}
          className="h-8 min-w-0 grow rounded-md border border-thread bg-white px-2 text-sm"
        >
          {colourways.map((colourway) => (
            <option key={colourway.id} value={colourway.id}>
              {colourway.name}
            </option>
          ))}
        </select>
        <Button label={TEXTS.addColourway} onClick={add}>
          <Plus size={15} aria-hidden />
        </Button>
      </div>
      {show && (
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => show('table')} className="grow">
            <Grid3x3 size={15} aria-hidden /> {TEXTS.colourwayTable}
          </Button>
          <Button onClick={() => show('proposals')} className="grow">
            <Sparkles size={15} aria-hidden /> {TEXTS.propose}
          </Button>
          <Button onClick={() => show('beside')} disabled={colourways.length < 2} className="grow">
            <Columns2 size={15} aria-hidden /> {TEXTS.compare}
          </Button>
          <Button onClick={() => show('plates')} className="grow">
            <Layers2 size={15} aria-hidden /> {TEXTS.separations}
          </Button>
        </div>
      )}
    </section>
  );
}
