import { useRef, useState } from 'react';
import { MOST_NAME, cutText } from '../../../../../core/schema/index.ts';
import { messageOf } from '../../../../../core/problem/index.ts';
import { freeShelfName, type Shelf, ShelfError } from '../../../../../core/shelf/index.ts';
import { MOST_SHELF_TEXT, readShelf } from '../../../../../core/shelfFile/index.ts';
import { useShelfMutation, useShelves } from '../../../../api/shelves.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { useColourway } from '../../../../cloth/useColourway.ts';
import { Button } from '../../../../ui/Button.tsx';
import { FileInput } from '../../../../ui/FileInput.tsx';
import { LiftedPalette } from './LiftedPalette.tsx';
import { ShelfRow } from './ShelfRow.tsx';
import { TEXTS } from './texts.ts';

/** Four bytes a letter, at the most. */
const LARGEST_FILE = 4 * MOST_SHELF_TEXT;

/** The studio's shelves of inks: taken from, kept, imported from a file and lifted from a picture. */
export function InkShelves() {
  const editor = useEditor();
  const colourway = useColourway();
  const shelves = useShelves();
  const change = useShelfMutation();
  const file = useRef<HTMLInputElement>(null);
  const photograph = useRef<HTMLInputElement>(null);
  const [picture, setPicture] = useState<File>();
  const [removed, setRemoved] = useState<Shelf>();
  // One of the same name would be replaced.
  const keep = ({ name, inks }: Shelf): void =>
    change.mutate(
      { save: { name: freeShelfName(shelves.data ?? [], name), inks } },
      { onError: (error) => editor.refusal.set(TEXTS.notKept(messageOf(error))) },
    );
  const keepInks = (): void => {
    const inks = editor.design.inks.flatMap(({ id, name }) => {
      const colour = colourway.colours[id];
      return colour ? [{ name, colour }] : [];
    });
    keep({ name: cutText(TEXTS.keptName(editor.design.name, colourway.name), MOST_NAME), inks });
  };
  const importFile = async (chosen: File): Promise<void> => {
    try {
      if (chosen.size > LARGEST_FILE) throw new ShelfError(TEXTS.tooLarge);
      keep(readShelf(chosen.name, await chosen.text()));
    } catch (error) {
      editor.refusal.set(TEXTS.notRead(chosen.name, messageOf(error)));
    }
  };
  return (
    <div className="grid grid-cols-1 gap-3">
      <p className="text-xs text-graphite">{TEXTS.note}</p>
      {shelves.data?.length === 0 && <p className="text-sm">{TEXTS.noShelves}</p>}
      {shelves.data?.map((shelf) => (
        <ShelfRow
          key={shelf.id}
          shelf={shelf}
          onDelete={() => change.mutate({ remove: shelf.id }, { onSuccess: () => setRemoved(shelf) })}
        />
      ))}
      {removed && (
        <p role="status" className="flex items-center gap-2 text-xs text-graphite">
          {TEXTS.deleted(removed.name)}
          <Button
            onClick={() => {
              keep(removed);
              setRemoved(undefined);
            }}
          >
            {TEXTS.putBack}
          </Button>
        </p>
      )}
      {picture && (
        <LiftedPalette
          file={picture}
          onKeep={(shelf) => {
            keep(shelf);
            setPicture(undefined);
          }}
          onDiscard={() => setPicture(undefined)}
        />
      )}
      <div className="flex flex-wrap gap-2">
        <Button onClick={keepInks} className="grow">
          {TEXTS.keep}
        </Button>
        <Button onClick={() => file.current?.click()} className="grow">
          {TEXTS.importFile}
        </Button>
        <Button onClick={() => photograph.current?.click()} className="grow">
          {TEXTS.fromPicture}
        </Button>
      </div>
      <FileInput
        at={file}
        label={TEXTS.importFile}
        accept=".csv,.json,.css,.svg"
        onFile={(one) => void importFile(one)}
      />
      <FileInput at={photograph} label={TEXTS.fromPicture} accept="image/*" onFile={setPicture} />
    </div>
  );
}
