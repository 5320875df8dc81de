import { DndContext, DragOverlay, PointerSensor, useSensor, useSensors, type DragMoveEvent } from '@dnd-kit/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { Layers, Search } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { isEditable } from '../../../../core/document/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { between, stackRows, type StackRow } from '../layerRows.ts';
import { LayerRow } from './LayerRow.tsx';
import { LayerSettings } from './LayerSettings.tsx';
import { MotifRow } from './MotifRow.tsx';
import { TEXTS } from './texts.ts';

const ROW_PX = 36;
/** The list grows until the layer's own numbers would be out of sight, and then scrolls. */
const MOST_HIGH = 'max(190px, calc(100vh - 576px))';

/** Where what is dragged would come to lie: over or under a line. */
export interface Landing {
  readonly key: string;
  readonly where: 'over' | 'under';
}

/** The whole stack, topmost first, layer by layer: chosen, dragged, hidden and locked here. */
export function StackList() {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const { ids } = useStore(editor.selection);
  const motifs = useStore(editor.motifs);
  const [sought, setSought] = useState('');
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const [dragged, setDragged] = useState<StackRow>();
  const [landing, setLanding] = useState<Landing>();
  const anchor = useRef<string>(undefined);
  const names = useMemo(() => new Map(motifs.map(({ id, name }) => [id, name])), [motifs]);
  const rows = useMemo(
    () => stackRows(design, (motif) => names.get(motif) ?? TEXTS.motif, folded, sought),
    [design, names, folded, sought],
  );
  const chosen = useMemo(() => new Set(ids), [ids]);
  const scroller = useRef<HTMLDivElement>(null);
  // oxlint-disable-next-line react/incompatible-library -- its own note says that it is read anew each time
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 8,
    getItemKey: (n) => rows[n]?.key ?? n,
  });
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));

  // What is chosen on the cloth comes into sight here.
  const last = ids.at(-1);
  const at = rows.findIndex(({ key }) => key === last);
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at);
  }, [virtual, last, at]);

  const take = (
    row: StackRow,
    held: { readonly shiftKey: boolean; readonly ctrlKey: boolean; readonly metaKey: boolean },
  ): void => {
    if (row.kind === 'layer') {
      editor.setWorkingLayer(row.layer.id);
      return;
    }
    const id = row.key;
    if (held.shiftKey && anchor.current !== undefined) editor.select(between(rows, anchor.current, id));
    else if (held.ctrlKey || held.metaKey)
      editor.select(chosen.has(id) ? ids.filter((one) => one !== id) : [...ids, id]);
    else editor.select([id]);
    if (!held.shiftKey) anchor.current = id;
  };

  const landingOf = ({ over, active, activatorEvent, delta }: DragMoveEvent): Landing | undefined => {
    if (!over || over.id === active.id) return undefined;
    const y = (activatorEvent as PointerEvent).clientY + delta.y;
    return { key: String(over.id), where: y < over.rect.top + over.rect.height / 2 ? 'over' : 'under' };
  };
  const land = (row: StackRow, { key, where }: Landing): void => {
    const target = rows.find((stackRow) => stackRow.key === key);
    if (!target) return;
    if (row.kind === 'layer') {
      const rest = design.layers.filter(({ id }) => id !== row.layer.id);
      const at = rest.findIndex(({ id }) => id === target.layer.id);
      if (at >= 0) editor.moveLayer(row.layer, where === 'over' ? at + 1 : at);
      return;
    }
    if (!isEditable(target.layer)) {
      editor.refusal.set(TEXTS.nameIsHiddenOrLocked(target.layer.name));
      return;
    }
    const moving = chosen.has(row.key) ? ids : [row.key];
    editor.select(moving);
    if (target.kind === 'layer') editor.intoLayer(target.layer);
    else editor.moveBeside(moving, target.key, where);
  };

  /** Arrows go from line to line, with Shift choosing on the way, with Alt taking what is chosen along. */
  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>): void => {
    const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    const from = rows.findIndex(
      ({ key }) => key === (event.target as HTMLElement).closest<HTMLElement>('[data-row]')?.dataset['row'],
    );
    const next = rows[from + by];
    if (by === 0 || from < 0 || !next || (event.target as HTMLElement).matches('input, select')) return;
    event.preventDefault();
    event.stopPropagation();
    const row = rows[from] as StackRow;
    if (event.altKey && row.kind === 'layer') {
      // The list shows the topmost first, and the next line may be one of the layer's own.
      const to = design.layers.findIndex(({ id }) => id === row.layer.id) - by;
      if (to >= 0 && to < design.layers.length) editor.moveLayer(row.layer, to);
      return;
    }
    if (event.altKey) {
      land(row, { key: next.key, where: by > 0 ? 'under' : 'over' });
      return;
    }
    if (event.shiftKey && next.kind === 'motif') take(next, event);
    virtual.scrollToIndex(from + by);
    requestAnimationFrame(() =>
      scroller.current?.querySelector<HTMLElement>(`[data-row="${CSS.escape(next.key)}"] [data-take]`)?.focus(),
    );
  };

  return (
    <section aria-label={TEXTS.layers} className="grid gap-2">
      <div className="flex gap-2">
        <label className="relative min-w-0 grow">
          <Search size={14} aria-hidden className="absolute top-2.25 left-2 text-graphite" />
          <input
            aria-label={TEXTS.searchTheLayers}
            value={sought}
            onChange={(event) => setSought(event.target.value)}
            placeholder={TEXTS.search}
            className="h-8 w-full rounded-md border border-thread bg-white pr-1 pl-7 text-sm"
          />
        </label>
        <Button onClick={() => editor.addLayer()}>
          <Layers size={15} aria-hidden /> {TEXTS.newLayer}
        </Button>
      </div>
      <DndContext
        sensors={sensors}
        onDragStart={({ active }) => setDragged(rows.find(({ key }) => key === active.id))}
        onDragMove={(event) => setLanding(landingOf(event))}
        onDragCancel={() => {
          setDragged(undefined);
          setLanding(undefined);
        }}
        onDragEnd={(event) => {
          const to = landingOf(event);
          if (dragged && to) land(dragged, to);
          setDragged(undefined);
          setLanding(undefined);
        }}
      >
        <div
          ref={scroller}
          data-own-arrows
          data-stack
          onKeyDown={onKeyDown}
          className="overflow-y-auto rounded-md border border-thread bg-white"
          style={{ height: virtual.getTotalSize() + 2, maxHeight: MOST_HIGH }}
        >
          <ul aria-label={TEXTS.layersTopmostFirst} className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map(({ index, start, key }) => {
              const row = rows[index] as StackRow;
              const place = { top: start, height: ROW_PX };
              const shared = { place, landing: landing?.key === row.key ? landing.where : undefined };
              return row.kind === 'layer' ? (
                <LayerRow
                  key={key}
                  row={row}
                  {...shared}
                  working={editor.workingLayer === row.layer.id}
                  onTake={() => take(row, { shiftKey: false, ctrlKey: false, metaKey: false })}
                  onFold={() => setFolded(toggled(folded, row.layer.id))}
                />
              ) : (
                <MotifRow
                  key={key}
                  row={row}
                  {...shared}
                  chosen={chosen.has(row.key)}
                  onTake={(event) => take(row, event)}
                />
              );
            })}
          </ul>
        </div>
        <DragOverlay dropAnimation={null}>
          {dragged && (
            <div className="rounded-md border border-ink bg-white px-3 py-1.5 text-sm shadow-float">
              {dragged.kind === 'layer'
                ? dragged.layer.name
                : chosen.has(dragged.key) && ids.length > 1
                  ? TEXTS.countMotifs(ids.length)
                  : dragged.name}
            </div>
          )}
        </DragOverlay>
      </DndContext>
      <LayerSettings id={editor.workingLayer} />
      <p className="text-xs text-graphite">{TEXTS.withNothingSelectedNewMotifs}</p>
    </section>
  );
}

function toggled(set: ReadonlySet<string>, one: string): ReadonlySet<string> {
  const next = new Set(set);
  if (!next.delete(one)) next.add(one);
  return next;
}
