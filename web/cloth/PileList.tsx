import { useEffect, useRef } from 'react';
import { blobUrl } from '../api/client.ts';
import { useEditor } from './editorContext.ts';
import { useStore } from '../ui/store.ts';
import type { PointerController } from './pointerController.ts';
import { TEXTS } from './texts.ts';

const WIDTH = 208;

/** What lies under the pointer, topmost first, to be chosen from; arrows go through it. */
export function PileList({ controller }: { readonly controller: PointerController }) {
  const editor = useEditor();
  const pile = useStore(controller.pile);
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => {
    list.current?.querySelector('button')?.focus();
  }, [pile]);
  if (!pile) return null;
  const { width, height } = controller.view.getViewport();
  const close = (): void => {
    controller.pile.set(undefined);
    controller.area.focus({ preventScroll: true });
  };
  const step = (by: number): void => {
    const buttons = [...(list.current?.querySelectorAll('button') ?? [])];
    const at = buttons.indexOf(document.activeElement as HTMLButtonElement);
    buttons[(at + by + buttons.length) % buttons.length]?.focus();
  };
  return (
    <ul
      ref={list}
      aria-label={TEXTS.contents}
      data-own-arrows
      data-own-press
      style={{
        left: Math.min(pile.at.x, width - WIDTH - 8),
        top: Math.min(pile.at.y, Math.max(8, height - 24 - Math.min(8, pile.hits.length) * 40)),
        width: WIDTH,
      }}
      className="absolute max-h-84 overflow-y-auto rounded-md border border-thread bg-calico p-1 shadow-float"
      onKeyDown={(event) => {
        if (event.key === 'Escape') close();
        else if (event.key === 'ArrowDown') step(1);
        else if (event.key === 'ArrowUp') step(-1);
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      {pile.hits.map((hit) => {
        const motif = editor.motif(editor.design.placements.find(({ id }) => id === hit.id)?.motif ?? '');
        return (
          <li key={`${hit.id} ${hit.index.i} ${hit.index.j} ${hit.op ?? 0}`}>
            <button
              type="button"
              data-pile={hit.id}
              onClick={() => {
                editor.select([hit.id], [hit]);
                close();
              }}
              className="flex h-10 w-full items-center gap-2 rounded-md px-2 text-left text-sm hover:bg-linen focus:bg-linen"
            >
              {motif && <img src={blobUrl(motif.thumbnail)} alt="" className="h-8 w-8 shrink-0 motif-thumb" />}
              <span className="truncate">{motif?.name ?? TEXTS.motif}</span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
