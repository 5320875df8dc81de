import { useEffect, useRef, useState } from 'react';
import type { Design } from '../../../../../core/document/index.ts';
import { messageOf } from '../../../../../core/problem/index.ts';
import type { Separation, SeparationOrder } from '../../../../../core/separate/index.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { useStore } from '../../../../ui/store.ts';

interface Wish {
  readonly design: Design;
  readonly order: SeparationOrder;
  readonly colourway: string | undefined;
}

/** What decides the plates that are looked at; the rest of an order concerns files alone. */
const keyOf = ({ order: { sequence, angles, trap, inkLimit }, colourway }: Wish): string =>
  JSON.stringify([sequence, angles, trap, inkLimit, colourway]);

/** Has a design taken apart off the page whenever it, or what is asked for, changes; one separation at a time. */
export function useSeparation(
  design: Design,
  order: SeparationOrder,
  colourway: string | undefined,
): { readonly separation: Separation | undefined; readonly failure: string | undefined } {
  const editor = useEditor();
  const motifs = useStore(editor.motifs);
  const [separation, setSeparation] = useState<Separation>();
  const [failure, setFailure] = useState<string>();
  const wanted = useRef<Wish>({ design, order, colourway });
  const made = useRef<Wish>(undefined);
  const isBusy = useRef(false);
  const isGone = useRef(false);
  useEffect(() => {
    isGone.current = false;
    return () => void (isGone.current = true);
  }, []);
  useEffect(() => {
    wanted.current = { design, order, colourway };
    const look = (): void => {
      const wish = wanted.current;
      const last = made.current;
      if (isBusy.current || isGone.current || (last?.design === wish.design && keyOf(last) === keyOf(wish))) return;
      isBusy.current = true;
      made.current = wish;
      editor.tossing.tosser
        .run(wish.design, motifs, { kind: 'plates', order: wish.order, colourway: wish.colourway })
        .done.then(
          (next) => {
            setSeparation(next);
            setFailure(undefined);
          },
          (error: unknown) => setFailure(messageOf(error)),
        )
        .finally(() => {
          isBusy.current = false;
          look();
        });
    };
    look();
  }, [editor, motifs, design, order, colourway]);
  return { separation, failure };
}
