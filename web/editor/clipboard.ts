import { array, object, string, ValidationError } from 'yup';
import { type Hex, hexSchema } from '../../core/colour/index.ts';
import {
  type Colourway,
  type Design,
  MOST_PLACEMENTS,
  type Placement,
  placementSchema,
} from '../../core/document/index.ts';

/** What was copied: placements as they lay, and the colours of the artwork's inks there. */
export interface ClipboardContent {
  readonly design: string;
  readonly placements: readonly Placement[];
  readonly inks: readonly { readonly print: Hex; readonly colour: Hex }[];
}

const KEY = 'hevrel-clip';

const clipSchema = object({
  design: string().required(),
  placements: array(placementSchema).required().min(1).max(MOST_PLACEMENTS),
  inks: array(object({ print: hexSchema, colour: hexSchema }))
    .required()
    .max(1000),
});

/** Takes a copy of placements, in the colours of a colourway. */
export function clipboardContentOf(
  design: Design,
  { colours }: Colourway,
  placements: readonly Placement[],
): ClipboardContent {
  const inks = design.inks.flatMap(({ id, prints }) =>
    prints.flatMap((print) => (colours[id] ? [{ print, colour: colours[id] }] : [])),
  );
  return { design: design.id, placements, inks };
}

/** Where copies are kept until they are pasted. */
export interface ClipboardStore {
  keep(clip: ClipboardContent): void;
  /** What was copied last; undefined where nothing was, or what lies there cannot be read. */
  read(): ClipboardContent | undefined;
}

/** Kept for every window of this browser. */
export const BROWSER_CLIPBOARD: ClipboardStore = {
  keep: (clip) => localStorage.setItem(KEY, JSON.stringify(clip)),
  read() {
    const text = localStorage.getItem(KEY);
    if (text === null) return undefined;
    try {
      return clipSchema.validateSync(JSON.parse(text), { strict: true });
    } catch (error) {
      // Left by another version of the program, or not ours at all.
      if (error instanceof ValidationError || error instanceof SyntaxError) return undefined;
      throw error;
    }
  },
};

/** Kept as long as this shelf is. */
export function memoryClipboard(): ClipboardStore {
  let kept: ClipboardContent | undefined;
  return { keep: (clip) => void (kept = clip), read: () => kept };
}
