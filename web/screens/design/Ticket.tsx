import { PanelRightClose, PanelRightOpen } from 'lucide-react';
import { type ComponentType, lazy, Suspense, useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { useEditor } from '../../cloth/editorContext.ts';
import type { Part } from '../../editor/editorState.ts';
import { useStore } from '../../ui/store.ts';
import { ArrangeTicket } from './tickets/ArrangeTicket.tsx';
import { ColourTicket } from './colour/ColourTicket.tsx';
import { DrawTicket } from './draw/DrawTicket.tsx';
import { MotifsTicket } from './tickets/MotifsTicket.tsx';
import { RepeatTicket } from './tickets/RepeatTicket.tsx';
import { FootContext } from './TicketFoot.tsx';
import { TEXTS } from './texts.ts';

const TITLES: Readonly<Record<Part, string>> = {
  motifs: TEXTS.motifs,
  draw: TEXTS.draw,
  repeat: TEXTS.repeat,
  arrange: TEXTS.arrange,
  toss: TEXTS.toss,
  colour: TEXTS.colour,
  check: TEXTS.check,
};
// Each fetched when it is first looked at; the cloth does not wait for any of them.
const TossPanel = lazy(async () => ({ default: (await import('./toss/TossPanel.tsx')).TossPanel }));
const CheckPanel = lazy(async () => ({ default: (await import('./check/CheckPanel.tsx')).CheckPanel }));

const BODIES: Readonly<Record<Part, ComponentType>> = {
  motifs: MotifsTicket,
  draw: DrawTicket,
  repeat: RepeatTicket,
  arrange: ArrangeTicket,
  toss: TossPanel,
  colour: ColourTicket,
  check: CheckPanel,
};

/** The swing ticket: what the current part of the job needs, and nothing else. */
export function Ticket({ open, onToggle }: { readonly open: boolean; readonly onToggle: () => void }) {
  const editor = useEditor();
  const part = useStore(editor.part);
  const side = useStore(editor.arrangeSide);
  const scroller = useRef<HTMLDivElement>(null);
  useEffect(() => {
    scroller.current?.scrollTo({ top: 0 });
  }, [side]);
  const Body = BODIES[part];
  const [foot, setFoot] = useState<HTMLElement | null>(null);
  if (!open) {
    return (
      <div className="col-start-3 row-start-2 border-l border-thread bg-calico p-1">
        <Button look="quiet" label={TEXTS.showTheTicket} onClick={onToggle}>
          <PanelRightOpen size={16} aria-hidden />
        </Button>
      </div>
    );
  }
  return (
    <aside
      aria-label={TITLES[part]}
      className="col-start-3 row-start-2 flex w-[304px] flex-col overflow-hidden border-l border-thread bg-linen p-2.5"
    >
      <div className="flex max-h-full min-h-0 flex-col rounded-md bg-calico [clip-path:polygon(18px_0,calc(100%-18px)_0,100%_18px,100%_100%,0_100%,0_18px)]">
        <div className="relative flex shrink-0 items-center border-b border-dashed border-thread px-4 pt-8 pb-2">
          {/* The punched hole. */}
          <span
            aria-hidden
            className="absolute top-3 left-1/2 h-4 w-4 -translate-x-1/2 rounded-full border border-thread bg-linen shadow-[inset_0_1px_2px_rgb(31_36_48/0.25)]"
          />
          <h2 className="font-name text-lg font-semibold">{TITLES[part]}</h2>
          <Button look="quiet" label={TEXTS.hideTheTicket} onClick={onToggle} className="-mr-2 ml-auto">
            <PanelRightClose size={16} aria-hidden />
          </Button>
        </div>
        <FootContext value={foot}>
          {/* Each begins at its top. */}
          <div key={part} ref={scroller} className="min-h-0 overflow-y-auto p-4 pb-6">
            <Suspense>
              <Body />
            </Suspense>
          </div>
        </FootContext>
        <div ref={setFoot} className="shrink-0" />
      </div>
    </aside>
  );
}
