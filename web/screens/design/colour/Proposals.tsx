import { nanoid } from 'nanoid';
import { useMemo, useRef, useState } from 'react';
import type { KeptShelf } from '../../../../contract/index.ts';
import type { Hex } from '../../../../core/colour/index.ts';
import {
  addColourway,
  exchangeGround,
  isExchanged,
  makeAnalogous,
  makeComplementary,
  MOODS,
  propose,
  type ProposedInk,
  proposedInks,
  setMood,
  surprise,
  takePalette,
  turnHues,
  unlocked,
} from '../../../../core/colourway/index.ts';
import { liftPalette } from '../../../../core/shelf/index.ts';
import { smallPixels } from '../../../api/smallPixels.ts';
import { useShelves } from '../../../api/shelves.ts';
import { Choice } from '../../../ui/Choice.tsx';
import { Button } from '../../../ui/Button.tsx';
import { FileInput } from '../../../ui/FileInput.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useColourway } from '../../../cloth/useColourway.ts';
import { useStore } from '../../../ui/store.ts';
import { type Pane, Panes } from '../alternatives/Panes.tsx';
import { TEXTS } from './texts.ts';

/** A colourway that could be. */
interface Proposed {
  readonly name: string;
  readonly colours: Readonly<Record<string, Hex>>;
}

const FAMILIES = ['moods', 'hues', 'harmonies', 'shelves', 'photograph', 'surprises'] as const;
type Family = (typeof FAMILIES)[number];

/** What proposals are made by, beside the inks. */
interface Given {
  readonly seed: number;
  readonly shelves: readonly KeptShelf[];
  /** Pixels of the photograph, made small; undefined until one is chosen. */
  readonly photograph: Uint8ClampedArray | undefined;
}

const NO_SHELVES: readonly KeptShelf[] = [];
const TURNS = [45, 90, 135, 180, 225, 270];
const SURPRISES = 6;
/** A photograph's colours are mapped from palettes of so many: fewer are bolder, more are truer. */
const PALETTE_SIZES = [3, 4, 6, 8, 12, 20];

const FAMILY_OF: { readonly [K in Family]: (inks: readonly ProposedInk[], given: Given) => readonly Proposed[] } = {
  moods: (inks) => MOODS.map((mood) => ({ name: TEXTS.moodName(mood), colours: propose(inks, setMood(mood)) })),
  hues: (inks) => TURNS.map((by) => ({ name: TEXTS.huesTurned(by), colours: propose(inks, turnHues(by)) })),
  harmonies: (inks) => [
    { name: TEXTS.complementary, colours: propose(inks, makeComplementary) },
    { name: TEXTS.analogous, colours: propose(inks, makeAnalogous) },
    { name: TEXTS.groundExchanged, colours: propose(inks, exchangeGround, isExchanged) },
  ],
  shelves: (inks, { shelves }) =>
    shelves.map((shelf) => ({
      name: shelf.name,
      colours: propose(inks, takePalette(shelf.inks.map(({ colour }) => colour))),
    })),
  photograph: (inks, { photograph }) => {
    // One of few colours has fewer palettes.
    const palettes = new Map<number, readonly Hex[]>();
    for (const count of PALETTE_SIZES) {
      const palette = photograph ? liftPalette(photograph, count).map(({ colour }) => colour) : [];
      if (palette.length > 0) palettes.set(palette.length, palette);
    }
    return [...palettes].map(([count, palette]) => ({
      name: TEXTS.countColours(count),
      colours: propose(inks, takePalette(palette)),
    }));
  },
  surprises: (inks, { seed }) =>
    Array.from({ length: SURPRISES }, (_, n) => ({
      name: TEXTS.surprise(seed + n),
      colours: propose(inks, surprise(seed + n)),
    })),
};

/** Colourways made from the one that is worked in, as live cloth; each becomes one of the design's only when it is taken. */
export function Proposals({ onClose }: { readonly onClose: () => void }) {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const { id } = useColourway();
  const [family, setFamily] = useState<Family>('moods');
  const [seed, setSeed] = useState(1);
  const shelves = useShelves().data ?? NO_SHELVES;
  const input = useRef<HTMLInputElement>(null);
  const [photograph, setPhotograph] = useState<Uint8ClampedArray>();
  const read = (file: File): void =>
    void smallPixels(file).then(setPhotograph, () => editor.refusal.set(TEXTS.photographNotRead(file.name)));
  // Made once, since a cloth of another design is painted anew.
  const proposed = useMemo(() => {
    return FAMILY_OF[family](proposedInks(design, id), { seed, shelves, photograph }).map(({ name, colours }) => ({
      name,
      colours,
      design: {
        ...design,
        colourways: design.colourways.map((colourway) =>
          colourway.id === id ? { ...colourway, colours: { ...colourway.colours, ...colours } } : colourway,
        ),
      },
    }));
  }, [design, id, family, seed, shelves, photograph]);
  const take = ({ name, colours }: Proposed): void => {
    const next = nanoid(8);
    if (!editor.commit(TEXTS.tookProposal(name), addColourway(design, next, name, id, unlocked(design, colours))))
      return;
    editor.colourwayId.set(next);
    onClose();
  };
  const panes = proposed.map((one): Pane => ({
    key: `${family} ${one.name}`,
    name: one.name,
    design: one.design,
    colourway: id,
    note: undefined,
    take: () => take(one),
  }));
  if (family === 'photograph' && panes.length === 0)
    panes.push({ key: family, name: TEXTS.photograph, design: undefined, note: TEXTS.noPhotograph, take: undefined });
  return (
    <Panes
      label={TEXTS.proposalsLabel}
      title={TEXTS.propose}
      note={TEXTS.proposalsNote}
      panes={panes}
      onClose={onClose}
      head={
        <div className="flex items-center gap-3 px-3 pt-3">
          <div className="w-md">
            <Choice
              label={TEXTS.family}
              value={family}
              options={FAMILIES.map((value) => ({ value, name: TEXTS[value] }))}
              onChange={setFamily}
            />
          </div>
          {family === 'photograph' && <Button onClick={() => input.current?.click()}>{TEXTS.choosePhotograph}</Button>}
          <FileInput at={input} label={TEXTS.choosePhotograph} accept="image/*" onFile={read} />
          {family === 'surprises' && <Button onClick={() => setSeed(seed + SURPRISES)}>{TEXTS.more}</Button>}
        </div>
      }
    />
  );
}
