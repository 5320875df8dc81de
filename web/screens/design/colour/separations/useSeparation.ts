import type { Design } from '../../../../../core/document/index.ts';
import type { Separation, SeparationOrder } from '../../../../../core/separate/index.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { useStore } from '../../../../ui/store.ts';
import { type Newest, useNewest } from '../../../../ui/useNewest.ts';

interface Wish {
  readonly design: Design;
  readonly order: SeparationOrder;
  readonly colourway: string | undefined;
}

/** What decides the plates that are looked at; the rest of an order concerns files alone. */
const keyOf = ({ order: { sequence, angles, trap, inkLimit }, colourway }: Wish): string =>
  JSON.stringify([sequence, angles, trap, inkLimit, colourway]);
const isSame = (a: Wish, b: Wish): boolean => a.design === b.design && keyOf(a) === keyOf(b);

/** Has a design taken apart off the page whenever it, or what is asked for, changes. */
export function useSeparation(
  design: Design,
  order: SeparationOrder,
  colourway: string | undefined,
): Newest<Wish, Separation> {
  const editor = useEditor();
  const motifs = useStore(editor.motifs);
  return useNewest<Wish, Separation>(
    { design, order, colourway },
    isSame,
    (wish) =>
      editor.tossing.tosser.run(wish.design, motifs, { kind: 'plates', order: wish.order, colourway: wish.colourway })
        .done,
  );
}
