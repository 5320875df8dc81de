import { useEffect, useRef } from 'react';
import { useProductMutation } from '../../api/tryOns.ts';
import { useNotifyProblem } from '../../ui/Notices.tsx';

/** What changes the widths of products. */
interface WidthHands {
  /** Tells how wide a product is before it is changed for the first time. */
  begin(product: string, width: number): void;
  /** Whether one is being changed. */
  readonly isBusy: boolean;
}

/** Widths of products by their ids, mm. */
export type Widths = Readonly<Record<string, number>>;

/**
 * Makes products of the studio's own as wide as a history says, so that undoing goes for them too.
 *
 * @param widths as they are wanted now; those that are not in it are as wide as they were
 */
export function useWidths(widths: Widths): WidthHands {
  const { mutate, isPending } = useProductMutation();
  const notifyProblem = useNotifyProblem();
  const known = useRef(new Map<string, { readonly first: number; readonly now: number }>());
  useEffect(() => {
    for (const [id, { first, now }] of known.current) {
      const wanted = widths[id] ?? first;
      if (wanted === now) continue;
      known.current.set(id, { first, now: wanted });
      mutate(
        { id, change: { by: wanted / now } },
        {
          onError: (error) => {
            known.current.set(id, { first, now });
            notifyProblem(error);
          },
        },
      );
    }
  }, [widths, mutate, notifyProblem]);
  return {
    begin(product, width) {
      if (!known.current.has(product)) known.current.set(product, { first: width, now: width });
    },
    isBusy: isPending,
  };
}
