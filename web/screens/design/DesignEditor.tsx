import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Cloth } from '../../cloth/Cloth.tsx';
import type { ClothParts } from '../../cloth/clothParts.ts';
import { middle, toMm } from '../../cloth/viewport.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import type { Editor } from '../../editor/editor.ts';
import { saveWhole } from '../../editor/wholeDesign.ts';
import type { Part } from '../../editor/editorState.ts';
import { ChalkLabel } from './ChalkLabel.tsx';
import { BundleBar } from './BundleBar.tsx';
import { useBundles } from './useBundles.ts';
import { EdgesWalk } from './EdgesWalk.tsx';
import { ExportDialog } from '../export/ExportDialog.tsx';
import type { Saver } from '../../editor/saver.ts';
import { SaveSwatchDialog } from './SaveSwatchDialog.tsx';
import type { Presence } from '../../editor/presence.ts';
import { ClothContext } from '../../cloth/clothContext.ts';
import { LayerChip } from './LayerChip.tsx';
import { type ColourwayView, ColourwayViewContext } from './colour/colourwayView.ts';
import { ColourwayViews } from './colour/ColourwayViews.tsx';
import { SideBySide } from './alternatives/SideBySide.tsx';
import { SideBySideContext } from './alternatives/sideBySideContext.ts';
import { ShowPartContext } from './showPart.ts';
import { Squint } from './Squint.tsx';
import { useNotify } from '../../ui/Notices.tsx';
import { ScaleBar } from './ScaleBar.tsx';
import { Selvedge } from './Selvedge.tsx';
import { SHORTCUTS, type ShortcutContext } from './shortcuts.ts';
import { ShortcutDialog } from './ShortcutDialog.tsx';
import { droppedFiles } from '../drawer/files.ts';
import { ComingFiles } from './ComingFiles.tsx';
import { TEXTS } from './texts.ts';
import { useComeBack } from './useComeBack.ts';
import { useFilesOnCloth } from './useFilesOnCloth.ts';
import { usePaste } from './usePaste.ts';
import { useFinish } from './draw/useFinish.ts';
import { useNextHole } from './draw/useNextHole.ts';
import { useScreenScale } from '../../ui/screenScale.ts';
import { useStore } from '../../ui/store.ts';
import { Ticket } from './Ticket.tsx';
import { TopBar } from './TopBar.tsx';
import { UnsavedNotice } from './UnsavedNotice.tsx';
import { Tray } from './Tray.tsx';

type OpenSheet = 'swatch' | 'download' | 'keys' | undefined;

interface Props {
  readonly saver: Saver;
  readonly presence: Presence;
  /** The editor of what the bundle that lies open lies in; the design's own where none does. */
  readonly outer: Editor;
  /** Leaves the bundle that lies open. */
  readonly onClose: () => void;
}

/** The screen on which a design is made: selvedge, cloth, ticket and tray. */
export function DesignEditor({ saver, presence, outer, onClose }: Props) {
  const editor = useEditor();
  const bundles = useBundles();
  const [cloth, setCloth] = useState<ClothParts>();
  const [sheet, setSheet] = useState<OpenSheet>();
  const [ticketOpen, setTicketOpen] = useState(true);
  const [squinting, setSquinting] = useState(false);
  const [onEdges, setOnEdges] = useState(false);
  const [beside, setBeside] = useState<readonly string[]>();
  const [colourwayView, setColourwayView] = useState<ColourwayView>();
  const notify = useNotify();
  const said = useStore(editor.announcement);
  const { pxPerMm } = useScreenScale();
  const refused = useStore(editor.refusal);
  useEffect(() => {
    if (refused === undefined) return;
    notify({ text: refused, tone: 'problem' });
    editor.refusal.set(undefined);
  }, [refused, editor, notify]);

  useComeBack(cloth);
  const { coming, lay } = useFilesOnCloth();
  const nextHole = useNextHole(cloth);
  const finishDrawing = useFinish();
  const paste = usePaste(cloth, lay);
  const closeSheet = useCallback(() => setSheet(undefined), []);

  const context = useMemo((): ShortcutContext | undefined => {
    if (!cloth) return undefined;
    const { view, controller: pointer } = cloth;
    return {
      zoom: (factor) => view.zoomAt(middle(view.getViewport()), factor),
      showRepeats(count) {
        const { width, height } = editor.design.repeat;
        const side = Math.sqrt(count);
        view.show({ left: 0, top: 0, right: side * width, bottom: side * height }, count === 1 ? 0.14 : 0.05);
      },
      squint: () => setSquinting(true),
      showActual: () => view.setScale(pxPerMm),
      pan: (x, y) => view.panBy({ x, y }),
      openSheet: () => setSheet('keys'),
      // A bundle that lies open is closed first.
      saveSwatch: () => setSheet(editor.inside ? undefined : 'swatch'),
      giveUp: () => {
        if (!pointer.cancel() && !editor.drawing.path.drop()) editor.select([]);
      },
      paste,
      nextHole,
      finishDrawing,
      bundles,
      overlap: pointer.overlap,
      pointer: () => pointer.pointer && toMm(view.getViewport(), pointer.pointer),
    };
  }, [cloth, editor, bundles, pxPerMm, paste, nextHole, finishDrawing]);

  const latest = useRef(context);
  useEffect(() => {
    latest.current = context;
  }, [context]);

  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      if (!latest.current || document.querySelector('[role="dialog"]')) return;
      // What is typed into a field is the field's own, but for saving.
      const typing = target.matches('input, textarea, select, [contenteditable]');
      const isUntouched = target.dataset['untouched'] !== undefined;
      if (typing && isUntouched && event.key === 'Escape') {
        document.querySelector<HTMLElement>('[data-cloth]')?.focus({ preventScroll: true });
        return;
      }
      // A number that was taken is undone like anything else.
      const undoes = isUntouched && (event.ctrlKey || event.metaKey) && ['z', 'y'].includes(event.key.toLowerCase());
      if (typing && !undoes && !(event.ctrlKey && event.key === 's')) return;
      // Widgets that go by arrows keep them.
      if (
        event.key.startsWith('Arrow') &&
        target.closest('[role="radiogroup"], [role="tablist"], [role="listbox"], [role="slider"], [data-own-arrows]')
      )
        return;
      const shortcut = SHORTCUTS.find(({ matches }) => matches(event));
      if (!shortcut) return;
      if (!shortcut.isShared) event.preventDefault();
      shortcut.run(editor, latest.current, event);
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, [editor]);

  const showPart = useCallback(
    (part: Part): void => {
      editor.part.set(part);
      setTicketOpen(true);
    },
    [editor],
  );

  return (
    <ClothContext value={cloth}>
      <ShowPartContext value={showPart}>
        <SideBySideContext value={setBeside}>
          <ColourwayViewContext value={editor.inside ? undefined : setColourwayView}>
            <div className="grid h-full grid-cols-[56px_minmax(0,1fr)_auto] grid-rows-[48px_minmax(0,1fr)_auto] overflow-hidden">
              <Selvedge cloth={cloth} onInk={() => showPart('colour')} />
              {editor.inside ? (
                <BundleBar inside={editor.inside} outer={outer} onClose={onClose} onPart={showPart} />
              ) : (
                <TopBar
                  saver={saver}
                  presence={presence}
                  onPart={showPart}
                  onSaveSwatch={() => setSheet('swatch')}
                  onDownload={() => setSheet('download')}
                  onKeys={() => setSheet('keys')}
                />
              )}
              <UnsavedNotice saver={saver} />
              <Cloth
                Label={ChalkLabel}
                onReady={setCloth}
                onOpen={bundles.open}
                onDrop={(transfer, at) => {
                  droppedFiles(transfer).then(
                    (files) => lay(files, at),
                    (error: unknown) => notify({ text: TEXTS.theseFilesCannotBeRead(String(error)), tone: 'problem' }),
                  );
                }}
              />
              {cloth && coming.length > 0 && <ComingFiles cloth={cloth} coming={coming} />}
              {onEdges && cloth && !editor.inside && <EdgesWalk cloth={cloth} onClose={() => setOnEdges(false)} />}
              {!editor.inside && <LayerChip onOpen={() => showPart('arrange')} />}
              <Ticket open={ticketOpen} onToggle={() => setTicketOpen(!ticketOpen)} />
              <div className="col-span-2 col-start-2 row-start-3 flex min-w-0 border-t border-thread bg-calico">
                <Tray cloth={cloth} />
                {cloth && context && (
                  <ScaleBar
                    cloth={cloth}
                    context={context}
                    onEdges={editor.inside ? undefined : () => setOnEdges(true)}
                  />
                )}
              </div>
              <p aria-live="polite" className="sr-only">
                {said}
              </p>
              <SaveSwatchDialog open={sheet === 'swatch'} onClose={closeSheet} saver={saver} />
              <ExportDialog
                open={sheet === 'download'}
                onClose={closeSheet}
                subjects={[{ ...editor.design, bare: editor.design.ground.kind === 'none' }]}
                sources={async () => [{ design: (await saveWhole(editor, saver), editor.design.id) }]}
                colourways={editor.design.colourways}
                colourway={editor.colourway.id}
              />
              <ShortcutDialog open={sheet === 'keys'} onClose={closeSheet} />
              {squinting && <Squint onClose={() => setSquinting(false)} />}
              {beside && <SideBySide alternatives={beside} onClose={() => setBeside(undefined)} />}
              {colourwayView && (
                <ColourwayViews
                  view={colourwayView}
                  onClose={() => setColourwayView(undefined)}
                  save={async () => void (await saveWhole(editor, saver))}
                />
              )}
            </div>
          </ColourwayViewContext>
        </SideBySideContext>
      </ShowPartContext>
    </ClothContext>
  );
}
