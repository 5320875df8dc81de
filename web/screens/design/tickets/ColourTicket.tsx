import { Ban } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { HexColorPicker } from 'react-colorful';
import { type Hex, readHex } from '../../../../core/colour/index.ts';
import { colourwayOf, type Ink, inksOfGround, NO_GROUND } from '../../../../core/document/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useStore } from '../../../ui/store.ts';
import { TEXTS } from './texts.ts';

/** A rest of the hand this long ends one change of a colour, ms. */
const REST_MS = 350;

/** The ground and the inks: change one and it changes everywhere at once. */
export function ColourTicket() {
  const editor = useEditor();
  const inks = useStore(editor.session, ({ design }) => design.inks);
  const groundNow = useStore(editor.session, ({ design }) => design.ground);
  const opened = useStore(editor.ink);
  const [printed] = inksOfGround(groundNow);
  const bare = groundNow.kind === 'none';
  const ground = inks.find(({ id }) => id === printed) ?? inks.find(({ id }) => id === 'ground') ?? inks[0];
  const others = inks.filter(({ id }) => id !== ground?.id);
  return (
    <div className="grid gap-5">
      <section aria-label={TEXTS.ground} className="grid gap-2">
        <h3 className="text-xs text-graphite">{TEXTS.ground}</h3>
        {!bare && ground && <InkRow ink={ground} open={opened === ground.id} />}
        <Button
          pressed={bare}
          disabled={!ground}
          onClick={() =>
            editor.commit(bare ? TEXTS.addedAGround : TEXTS.removedTheGround, {
              type: 'ground',
              ground: bare && ground ? { kind: 'flat', ink: ground.id } : NO_GROUND,
            })
          }
        >
          <Ban size={15} aria-hidden /> {TEXTS.noGround}
        </Button>
        {bare && <p className="text-xs text-graphite">{TEXTS.exportedFilesAreTransparent}</p>}
      </section>
      <section aria-label={TEXTS.inks} className="grid gap-2">
        <h3 className="text-xs text-graphite">{TEXTS.inks}</h3>
        {others.length === 0 && <p className="text-sm">{TEXTS.inksAreAddedWithThe}</p>}
        {others.map((ink) => (
          <InkRow key={ink.id} ink={ink} open={opened === ink.id} />
        ))}
      </section>
    </div>
  );
}

function InkRow({ ink, open }: { readonly ink: Ink; readonly open: boolean }) {
  const editor = useEditor();
  const colourway = useStore(editor.session, ({ design }) => colourwayOf(design));
  const colour = colourway.colours[ink.id] as Hex;
  const row = useRef<HTMLDivElement>(null);
  const [typed, setTyped] = useState<string>();
  const pending = useRef<{ colour: Hex; timer: ReturnType<typeof setTimeout> }>(undefined);

  useEffect(() => {
    if (open) row.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);

  const commit = (next: Hex): boolean =>
    editor.commit(TEXTS.changedName(ink.name), { type: 'colour', colourway: colourway.id, ink: ink.id, colour: next });
  const settle = (): void => {
    if (!pending.current) return;
    clearTimeout(pending.current.timer);
    commit(pending.current.colour);
    pending.current = undefined;
  };
  // While the hand moves the colour is only shown; where it rests it becomes one edit.
  const show = (next: Hex): void => {
    if (pending.current) clearTimeout(pending.current.timer);
    editor.session.preview({ type: 'colour', colourway: colourway.id, ink: ink.id, colour: next });
    pending.current = { colour: next, timer: setTimeout(settle, REST_MS) };
  };
  const latest = useRef(settle);
  useEffect(() => {
    latest.current = settle;
  });
  useEffect(() => () => latest.current(), []);

  const take = (): void => {
    const hex = typed === undefined ? undefined : readHex(typed);
    if (hex && hex !== colour) commit(hex);
    setTyped(undefined);
  };
  const wrong = typed !== undefined && readHex(typed) === undefined;

  return (
    <div ref={row} className="rounded-md border border-thread bg-white">
      <div className="flex items-center gap-2 p-1.5">
        <button
          type="button"
          aria-expanded={open}
          aria-label={TEXTS.changeTheInkName(ink.name)}
          onClick={() => editor.ink.set(open ? undefined : ink.id)}
          className="h-6 w-6 shrink-0 rounded-full border border-ink/25"
          style={{ background: colour }}
        />
        <span className="min-w-0 grow truncate text-sm">{ink.name}</span>
        <input
          aria-label={TEXTS.colourOfNameHex(ink.name)}
          aria-invalid={wrong}
          value={typed ?? colour.toUpperCase()}
          spellCheck={false}
          maxLength={9}
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key === 'Enter') take();
            if (event.key === 'Escape') setTyped(undefined);
          }}
          className={`h-7 w-20 rounded-sm border px-1.5 text-xs ${wrong ? 'border-madder' : 'border-transparent hover:border-thread'}`}
        />
      </div>
      {open && (
        <div className="p-2 pt-0 [&_.react-colorful]:h-40! [&_.react-colorful]:w-full!" data-own-arrows>
          <HexColorPicker
            color={colour}
            onChange={(next) => {
              const hex = readHex(next);
              if (hex) show(hex);
            }}
          />
        </div>
      )}
    </div>
  );
}
