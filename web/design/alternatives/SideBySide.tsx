import { useState } from 'react';
import { takeArrangement } from '../../../core/arrange/takeArrangement.ts';
import type { Design } from '../../../core/document/design.ts';
import { useAlternativeDesigns, useAlternatives } from '../../api/alternatives.ts';
import { Button } from '../../shared/Button.tsx';
import { Overlay } from '../../shared/Overlay.tsx';
import { repeatText } from '../../shared/repeatText.ts';
import { useStore } from '../../shared/store.ts';
import { useUnit } from '../../shared/unit.ts';
import { useBench } from '../bench.ts';
import { LiveCloth, type Look } from './LiveCloth.tsx';

interface Props {
  /** Ids of kept alternatives, up to three. */
  readonly alternatives: readonly string[];
  readonly onClose: () => void;
}

/** The arrangement being worked at and up to three that were kept, as live cloth, moved and zoomed as one; any can be taken. */
export function SideBySide({ alternatives, onClose }: Props) {
  const bench = useBench();
  const { committed } = useStore(bench.session);
  const { id } = committed;
  const listed = useAlternatives(id);
  const designs = useAlternativeDesigns(id, alternatives);
  const [look, setLook] = useState<Look>(() => ({ at: { x: committed.repeat.width, y: committed.repeat.height }, scale: 480 / (2.2 * Math.max(committed.repeat.width, committed.repeat.height)) }));
  const take = (name: string, design: Design): void => {
    bench.commit(`Took “${name}”`, takeArrangement(bench.session.state.committed, design));
    onClose();
  };
  const panes = [
    { key: 'now', name: 'As it is now', design: committed, problem: undefined, own: true },
    ...alternatives.map((one, n) => ({
      key: one,
      name: listed.data?.find((alternative) => alternative.id === one)?.name ?? 'Alternative',
      // Colours are those worked in: arrangements are compared and not colours.
      design: designs[n]?.data && { ...designs[n].data, colourways: inColoursOf(designs[n].data, committed), colourway: committed.colourway, ground: committed.ground, inks: allInks(designs[n].data, committed) },
      problem: designs[n]?.error?.message,
      own: false,
    })),
  ];
  return (
    <Overlay label="Alternatives side by side" title="Side by side" note="Drag moves all of them, the wheel zooms; they are seen in the colours you work in." onClose={onClose}>
      <div className={`grid min-h-0 grow gap-3 p-3 ${panes.length === 2 ? 'grid-cols-2' : panes.length === 3 ? 'grid-cols-3' : 'grid-cols-2 grid-rows-2'}`}>
        {panes.map(({ key, name, design, problem, own }) => (
          <figure key={key} aria-label={name} className="flex min-h-0 min-w-0 flex-col overflow-hidden rounded-md border border-thread bg-white">
            <div className="relative min-h-0 grow">{design ? <LiveCloth design={design} look={look} onLook={setLook} /> : <p className="p-4 text-sm">{problem ?? 'Fetching …'}</p>}</div>
            <figcaption className="flex h-12 shrink-0 items-center gap-3 border-t border-thread px-3">
              <span className="truncate font-name font-semibold">{name}</span>
              {design && <Numbers design={design} />}
              {!own && design && (
                <Button className="ml-auto" onClick={() => take(name, design)}>
                  Take this one
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
      {design.placements.length} motifs, {repeatText(design.repeat, unit)}
    </span>
  );
}

function allInks(design: Design, now: Design): Design['inks'] {
  const known = new Set(now.inks.map(({ id }) => id));
  return [...now.inks, ...design.inks.filter(({ id }) => !known.has(id))];
}

function inColoursOf(design: Design, now: Design): Design['colourways'] {
  const own = design.colourways.find(({ id }) => id === design.colourway)?.colours ?? {};
  return now.colourways.map((one) => ({ ...one, colours: { ...own, ...one.colours } }));
}
