import type { KeptShelf } from '../../../../../contract/index.ts';
import { addInk, colourInk, fillFromPalette } from '../../../../../core/colourway/index.ts';
import { cleanFileName } from '../../../../../core/export/index.ts';
import type { ShelfInk } from '../../../../../core/shelf/index.ts';
import { SHELF_FORMAT_NAMES, SHELF_FORMATS } from '../../../../../core/shelfFile/index.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { useColourway } from '../../../../cloth/useColourway.ts';
import { download } from '../../../../ui/download.ts';
import { freeInk } from '../freeInk.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly shelf: KeptShelf;
  readonly onDelete: () => void;
}

/** A shelf: its colours, each taken by a click, and what is done with all of them. */
export function ShelfRow({ shelf, onDelete }: Props) {
  const editor = useEditor();
  const colourway = useColourway();
  const take = ({ name, colour }: ShelfInk): void => {
    const { design } = editor;
    const open = design.inks.find(({ id }) => id === editor.ink.getState());
    if (open?.locked) return;
    if (open) {
      editor.commit(TEXTS.tookColour(name), colourInk(design, open.id, colourway.id, colour));
      return;
    }
    const { id } = freeInk(design, colour);
    if (editor.commit(TEXTS.addedInk(name), addInk(design, { id, name }, colour))) editor.ink.set(id);
  };
  const act = (deed: string): void => {
    if (deed === 'delete') onDelete();
    else if (deed === 'fill') {
      const palette = shelf.inks.map(({ colour }) => colour);
      editor.commit(TEXTS.filled(shelf.name), fillFromPalette(editor.design, colourway.id, palette));
    } else {
      const format = SHELF_FORMAT_NAMES.find((name) => name === deed);
      if (!format) return;
      const { extension, mime, write } = SHELF_FORMATS[format];
      const href = URL.createObjectURL(new Blob([write(shelf.name, shelf.inks)], { type: mime }));
      download(href, `${cleanFileName(shelf.name, 'Shelf')}.${extension}`);
      URL.revokeObjectURL(href);
    }
  };
  return (
    <div role="group" aria-label={shelf.name} className="grid grid-cols-1 gap-1">
      <div className="flex items-center gap-2">
        <span className="min-w-0 grow truncate text-sm">{shelf.name}</span>
        <select
          aria-label={TEXTS.more(shelf.name)}
          value=""
          onChange={(event) => act(event.target.value)}
          className="h-7 w-24 rounded-md border border-thread bg-white px-1 text-xs"
        >
          <option value="">{TEXTS.moreText}</option>
          <option value="fill">{TEXTS.fill}</option>
          {SHELF_FORMAT_NAMES.map((format) => (
            <option key={format} value={format}>
              {TEXTS.exportAs(SHELF_FORMATS[format].name)}
            </option>
          ))}
          <option value="delete">{TEXTS.remove}</option>
        </select>
      </div>
      <div className="flex flex-wrap gap-1">
        {shelf.inks.map((ink, n) => (
          <button
            key={n}
            type="button"
            title={TEXTS.takeColour(ink.name, ink.colour.toUpperCase())}
            aria-label={TEXTS.takeColour(ink.name, ink.colour)}
            onClick={() => take(ink)}
            className="h-7 min-w-7 grow rounded-sm border border-ink/20"
            style={{ background: ink.colour }}
          />
        ))}
      </div>
    </div>
  );
}
