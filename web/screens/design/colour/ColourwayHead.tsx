import { ChevronLeft, ChevronRight, Copy, Plus, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { addColourway, fillFromPalette } from '../../../../core/colourway/index.ts';
import type { Colourway } from '../../../../core/document/index.ts';
import { useShelves } from '../../../api/shelves.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { NameField } from '../../../ui/NameField.tsx';
import { TEXTS } from './texts.ts';

interface HeadProps {
  readonly colourway: Colourway;
  readonly at: number;
  readonly count: number;
  readonly isCurrent: boolean;
}

/** The head of a column: its place, its name, where its colours come from, and whether it is the current one. */
export function ColourwayHead({ colourway: { id, name }, at, count, isCurrent }: HeadProps) {
  const editor = useEditor();
  const move = (by: number): void => {
    const ids = editor.design.colourways.map((colourway) => colourway.id);
    ids.splice(at + by, 0, ...ids.splice(at, 1));
    editor.commit(TEXTS.reorderedColourways, { type: 'order-colourways', ids });
  };
  const duplicate = (): void => {
    editor.commit(TEXTS.addedColourway, addColourway(editor.design, nanoid(8), name, id));
  };
  return (
    <div className="grid gap-1">
      <div className="flex justify-center">
        <Button look="quiet" label={TEXTS.moveLeft(name)} disabled={at === 0} onClick={() => move(-1)}>
          <ChevronLeft size={15} aria-hidden />
        </Button>
        <Button look="quiet" label={TEXTS.duplicate(name)} onClick={duplicate}>
          <Copy size={14} aria-hidden />
        </Button>
        <Button
          look="quiet"
          label={TEXTS.deleteColourway(name)}
          disabled={count === 1}
          onClick={() => editor.commit(TEXTS.deletedColourway(name), { type: 'remove-colourways', ids: [id] })}
        >
          <Trash2 size={14} aria-hidden />
        </Button>
        <Button look="quiet" label={TEXTS.moveRight(name)} disabled={at === count - 1} onClick={() => move(1)}>
          <ChevronRight size={15} aria-hidden />
        </Button>
      </div>
      <NameField
        label={TEXTS.nameOfTheColourway(name)}
        name={name}
        onRename={(next) =>
          editor.commit(TEXTS.renamedColourway, { type: 'change-colourway', colourway: id, name: next, colours: {} })
        }
        className="h-8 border-transparent text-center font-name text-base font-semibold hover:border-thread"
      />
      <FillFromShelf colourway={id} name={name} />
      <Button pressed={isCurrent} onClick={() => editor.colourwayId.set(id)}>
        {isCurrent ? TEXTS.workedIn : TEXTS.workIn}
      </Button>
    </div>
  );
}

/** Gives a column the colours of a shelf. */
function FillFromShelf({ colourway, name }: { readonly colourway: string; readonly name: string }) {
  const editor = useEditor();
  const shelves = useShelves().data ?? [];
  return (
    <select
      aria-label={TEXTS.fillFrom(name)}
      value=""
      disabled={shelves.length === 0}
      onChange={({ target: { value } }) => {
        const shelf = shelves.find(({ id }) => id === value);
        if (!shelf) return;
        const palette = shelf.inks.map(({ colour }) => colour);
        editor.commit(TEXTS.filledFrom(shelf.name), fillFromPalette(editor.design, colourway, palette));
      }}
      className="h-7 rounded-md border border-thread bg-white px-1 text-xs"
    >
      <option value="">{TEXTS.fillFromText}</option>
      {shelves.map((shelf) => (
        <option key={shelf.id} value={shelf.id}>
          {shelf.name}
        </option>
      ))}
    </select>
  );
}

/** Adds a column. */
export function AddColourway() {
  const editor = useEditor();
  const add = (): void => {
    const { colourways } = editor.design;
    const last = colourways[colourways.length - 1] as Colourway;
    editor.commit(TEXTS.addedColourway, addColourway(editor.design, nanoid(8), TEXTS.newColourway, last.id));
  };
  return (
    <Button label={TEXTS.addColourway} onClick={add}>
      <Plus size={15} aria-hidden />
    </Button>
  );
}
