import { mergeInks, motifsOfInk, splitInk, splitInkByMotif } from '../../../../core/colourway/index.ts';
import { type Command, type Ink, printerOf } from '../../../../core/document/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useColourway } from '../../../cloth/useColourway.ts';
import { Button } from '../../../ui/Button.tsx';
import { useStore } from '../../../ui/store.ts';
import { freeInk } from './freeInk.ts';
import { TEXTS } from './texts.ts';

/** What else is done to an ink: replaced by another one everywhere, or split by a motif or by a colour that it prints. */
export function InkDeeds({ ink }: { readonly ink: Ink }) {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const { colours } = useColourway();
  const motifs = new Map(useStore(editor.motifs).map((motif) => [motif.id, motif]));
  const others = design.inks.filter(({ id }) => id !== ink.id);
  const printer = printerOf(design.inks);
  const inMotifs = motifsOfInk(design, motifs, ink.id);
  // What is coloured next is what was split off.
  const split = (command: Command, id: string): void => {
    if (editor.commit(TEXTS.splitName(ink.name), command)) editor.ink.set(id);
  };
  const splitBy = (id: string): void => {
    const motif = motifs.get(id);
    const print = motif?.inks.find((colour) => printer(colour, id)?.id === ink.id);
    if (!motif || !print) return;
    const free = freeInk(design, print);
    split(splitInkByMotif(design, ink.id, motif, free), free.id);
  };
  return (
    <>
      {others.length > 0 && (
        <select
          aria-label={TEXTS.replaceBy}
          value=""
          onChange={({ target: { value } }) => {
            const by = others.find(({ id }) => id === value);
            if (!by) return;
            editor.commit(TEXTS.replacedName(ink.name, by.name), mergeInks(design, [ink.id], by.id));
            editor.ink.set(by.id);
          }}
          className="h-8 rounded-md border border-thread bg-white px-2 text-sm"
        >
          <option value="">{TEXTS.replaceByText}</option>
          {others.map(({ id, name }) => (
            <option key={id} value={id}>
              {name} {colours[id]?.toUpperCase()}
            </option>
          ))}
        </select>
      )}
      {inMotifs.length > 1 && (
        <select
          aria-label={TEXTS.splitByMotif}
          value=""
          onChange={({ target: { value } }) => splitBy(value)}
          className="h-8 rounded-md border border-thread bg-white px-2 text-sm"
        >
          <option value="">{TEXTS.splitByMotifText}</option>
          {inMotifs.map((id) => (
            <option key={id} value={id}>
              {motifs.get(id)?.name}
            </option>
          ))}
        </select>
      )}
      {ink.prints.length > 1 && (
        <div className="grid grid-cols-1 gap-1">
          <p className="text-xs text-graphite">{TEXTS.splitOffNote}</p>
          <ul className="flex flex-wrap gap-1">
            {ink.prints.map((print) => (
              <li key={print}>
                <Button
                  onClick={() => {
                    const free = freeInk(design, print);
                    split(splitInk(design, ink.id, [print], free), free.id);
                  }}
                >
                  <span
                    aria-hidden
                    className="h-4 w-4 rounded-full border border-ink/25"
                    style={{ background: print }}
                  />
                  {TEXTS.splitOff}
                </Button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </>
  );
}
