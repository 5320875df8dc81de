import { useEffect, useMemo, useState } from 'react';
import type { Hex } from '../../../../core/colour/index.ts';
import { type InkMerge, mergeInks, reduceInks } from '../../../../core/colourway/index.ts';
import { apply, type Command, type Design } from '../../../../core/document/index.ts';
import { parseAmount } from '../../../../core/units/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { Tick } from '../../../ui/Tick.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useColourway } from '../../../cloth/useColourway.ts';
import { useStore } from '../../../ui/store.ts';
import type { InkAreasOf } from './useInkAreas.ts';
import { TEXTS } from './texts.ts';

/** Proposes which inks others can stand for; each can be kept apart before they are merged. */
export function ReduceInks({ areas }: { readonly areas: InkAreasOf | undefined }) {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const { colours } = useColourway();
  const [wished, setWished] = useState<number>();
  const [apart, setApart] = useState<ReadonlySet<string>>(new Set());
  const most = wished ?? design.inks.length;
  const merges = useMemo(() => {
    if (!areas || most >= design.inks.length) return { proposed: [], kept: [] };
    const weighed = design.inks.map(({ id, locked = false }) => ({
      id,
      locked,
      colour: colours[id] ?? ('#808080' as Hex),
      area: areas.shares.inks[areas.inks.findIndex((ink) => ink.id === id)] ?? 0,
    }));
    const proposed = reduceInks(weighed, most);
    return { proposed, kept: proposed.filter(({ from }) => !apart.has(from)) };
  }, [areas, design, colours, most, apart]);
  // Shown on the cloth before it is taken.
  useEffect(() => {
    if (merges.kept.length === 0) return undefined;
    editor.session.preview(mergeAll(design, merges.kept));
    return () => editor.session.preview(undefined);
  }, [editor, design, merges]);
  if (!areas) return <p className="text-sm text-graphite">{TEXTS.measuring}</p>;
  const { proposed, kept } = merges;
  const nameOf = (id: string): string => design.inks.find((ink) => ink.id === id)?.name ?? id;
  const merge = (): void => {
    if (editor.commit(TEXTS.reduced, mergeAll(design, kept))) setWished(undefined);
  };
  return (
    <>
      <QuantityField
        label={TEXTS.reduceTo}
        shown={String(most)}
        value={most}
        read={(text) =>
          Math.round(parseAmount(text, { sign: '', current: most, min: 1, max: Math.max(1, design.inks.length) }))
        }
        onChange={(value) => {
          setApart(new Set());
          setWished(value);
        }}
      />
      {proposed.length > 0 && (
        <>
          <ul className="grid gap-0.5">
            {proposed.map(({ from, into }) => (
              <li key={from} className="flex items-center gap-2">
                <span aria-hidden className="flex shrink-0">
                  <span className="h-5 w-5 rounded-l-sm" style={{ background: colours[from] }} />
                  <span className="h-5 w-5 rounded-r-sm" style={{ background: colours[into] }} />
                </span>
                <Tick
                  label={TEXTS.keepApart(nameOf(from), nameOf(into))}
                  on={!apart.has(from)}
                  onChange={(on) => setApart(new Set(on ? [...apart].filter((id) => id !== from) : [...apart, from]))}
                />
              </li>
            ))}
          </ul>
          <div className="flex items-center justify-between gap-2">
            <p className="text-xs text-graphite">{TEXTS.reduceNote(design.inks.length - kept.length)}</p>
            <Button look="accent" disabled={kept.length === 0} onClick={merge}>
              {TEXTS.apply}
            </Button>
          </div>
        </>
      )}
    </>
  );
}

function mergeAll(design: Design, merges: readonly InkMerge[]): Command {
  const commands: Command[] = [];
  let now = design;
  for (const { from, into } of merges) {
    const command = mergeInks(now, [from], into);
    commands.push(command);
    now = apply(now, command);
  }
  return { type: 'all', commands };
}
