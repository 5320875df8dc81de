import { repeatText } from '../../../../core/lattice/index.ts';
import { type ReactNode, useState } from 'react';
import type { Design } from '../../../../core/document/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { Overlay } from '../../../ui/Overlay.tsx';
import { useStore } from '../../../ui/store.ts';
import { useUnit } from '../../../ui/unit.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { LiveCloth, type Look } from './LiveCloth.tsx';
import { TEXTS } from './texts.ts';

/** One of the cloths that are looked at together. */
export interface Pane {
  readonly key: string;
  readonly name: string;
  /** Undefined while there is nothing to see yet. */
  readonly design: Design | undefined;
  /** The colourway that it is seen in; the one that is worked in where missing. */
  readonly colourway?: string;
  /** Said in the stead of a cloth. */
  readonly note: string | undefined;
  /** Takes it; undefined for one that is there already. */
  readonly take: (() => void) | undefined;
}

interface Props {
  readonly label: string;
  readonly note: string;
  readonly panes: readonly Pane[];
  readonly title?: string;
  /** What stands above them. */
  readonly head?: ReactNode;
  /** What the button that takes one says. */
  readonly takeName?: string;
  readonly onClose: () => void;
}

/** Columns of so many panes, so that they are as nearly square as can be. */
const columnsOf = (count: number): number =>
  count <= 3 ? count : count === 4 ? 2 : count <= 6 ? 3 : Math.ceil(Math.sqrt(count));

/** Two to nine designs as live cloth, moved and zoomed as one; any can be taken. */
export function Panes({
  label,
  note,
  panes,
  title = TEXTS.sideBySide,
  head,
  takeName = TEXTS.takeThisOne,
  onClose,
}: Props) {
  const editor = useEditor();
  const repeat = useStore(editor.session, ({ committed }) => committed.repeat);
  const [look, setLook] = useState<Look>(() => ({
    at: { x: repeat.width, y: repeat.height },
    scale: 480 / (2.2 * Math.max(repeat.width, repeat.height)),
  }));
  return (
    <Overlay label={label} title={title} note={note} onClose={onClose}>
      {head}
      <div
        className="grid min-h-0 grow auto-rows-fr gap-3 p-3"
        style={{ gridTemplateColumns: `repeat(${columnsOf(panes.length)}, minmax(0, 1fr))` }}
      >
        {panes.map(({ key, name, design, colourway, note: said, take }) => (
          <figure
            key={key}
            aria-label={name}
            className="flex min-h-0 min-w-0 flex-col overflow-hidden rounded-md border border-thread bg-white"
          >
            <div className="relative min-h-0 grow">
              {design ? (
                <LiveCloth design={design} colourway={colourway} look={look} onLook={setLook} />
              ) : (
                <p className="p-4 text-sm">{said}</p>
              )}
            </div>
            <figcaption className="flex h-12 shrink-0 items-center gap-3 border-t border-thread px-3">
              <span className="truncate font-name font-semibold">{name}</span>
              {design && <Numbers design={design} />}
              {take && design && (
                <Button className="ml-auto" onClick={take}>
                  {takeName}
                </Button>
              )}
            </figcaption>
          </figure>
        ))}
      </div>
    </Overlay>
  );
}

function Numbers({ design }: { readonly design: Design }) {
  const [unit] = useUnit();
  return (
    <span className="truncate text-xs text-graphite">
      {TEXTS.countMotifsRepeat(design.placements.length, repeatText(design.repeat, unit))}
    </span>
  );
}
