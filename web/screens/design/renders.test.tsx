// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, render } from '@testing-library/react';
import { Profiler, type ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { apply, newDesign } from '../../../core/document/index.ts';
import { step } from '../../../core/lattice/index.ts';
import { LEAF_MOTIF, LEAF_RECORD, leafAt } from '../../../core/testing/arbitraries.ts';
import { EditorContext } from '../../cloth/editorContext.ts';
import { Editor } from '../../editor/editor.ts';
import { Notices } from '../../ui/Notices.tsx';
import { LayerChip } from './LayerChip.tsx';
import { PartNav } from './PartNav.tsx';
import { Tray } from './Tray.tsx';
import { UndoButtons } from './UndoButtons.tsx';
import { AlignPanel } from './tickets/AlignPanel.tsx';
import { CellSize } from './tickets/CellSize.tsx';
import { ColourTicket } from './colour/ColourTicket.tsx';
import { GuideList } from './tickets/GuideList.tsx';
import { HistoryList } from './tickets/HistoryList.tsx';
import { LayerSettings } from './tickets/LayerSettings.tsx';
import { Numbers } from './tickets/Numbers.tsx';
import { RepeatTicket } from './tickets/RepeatTicket.tsx';
import { SelectMore } from './tickets/SelectMore.tsx';
import { TossPanel } from './toss/TossPanel.tsx';

const FRAMES = 20;

class NoObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}

/** Takes what it is sent and never answers. */
class SilentWorker {
  postMessage(): void {}
  terminate(): void {}
}

const answerTo = (address: string): string => {
  if (address.endsWith(`/${LEAF_RECORD.artwork}`)) return JSON.stringify(LEAF_MOTIF.artwork);
  return address.endsWith('/ink-shelves') ? '[]' : '{"motifs":[],"total":0}';
};

beforeEach(() => {
  vi.stubGlobal('Worker', SilentWorker);
  vi.stubGlobal('ResizeObserver', NoObserver);
  vi.stubGlobal('IntersectionObserver', NoObserver);
  vi.stubGlobal('fetch', (address: string) => Promise.resolve(new Response(answerTo(address))));
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('renders nothing while a motif is dragged but what shows a moving number', async () => {
  const blank = newDesign('d', 'Leaves', { width: 100, height: 80, step: step('half-drop', 1, 2) });
  const editor = new Editor(
    apply(blank, {
      type: 'insert',
      placements: ['a', 'b', 'c'].map((id, index) => ({ index, placement: leafAt(id, { x: 20 * index, y: 10 }) })),
    }),
  );
  editor.learn('design', [{ ...LEAF_RECORD, thumbnail: 'leaf.png', tags: [], deleted: false }]);
  editor.select(['a']);
  const renders = new Map<string, number>();
  const counted = (name: string, children: ReactNode) => (
    <Profiler key={name} id={name} onRender={() => renders.set(name, (renders.get(name) ?? 0) + 1)}>
      {children}
    </Profiler>
  );
  const still = {
    'layer chip': <LayerChip onOpen={() => undefined} />,
    'part nav': <PartNav onPart={() => undefined} />,
    tray: <Tray cloth={undefined} />,
    'undo buttons': <UndoButtons />,
    align: <AlignPanel />,
    'cell size': <CellSize />,
    colours: <ColourTicket />,
    guides: <GuideList />,
    history: <HistoryList />,
    'layer settings': <LayerSettings id="main" />,
    repeat: <RepeatTicket />,
    'select more': <SelectMore />,
    toss: <TossPanel />,
  };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <Notices>
          <EditorContext value={editor}>
            {Object.entries(still).map(([name, part]) => counted(name, part))}
            {counted('numbers', <Numbers />)}
          </EditorContext>
        </Notices>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  await act(() => new Promise((resolve) => setTimeout(resolve, 50)));
  renders.clear();
  const start = editor.startDrag();
  for (let n = 1; n <= FRAMES; n += 1) act(() => editor.move(start, { x: n, y: n / 2 }));
  const numbers = renders.get('numbers') ?? 0;
  renders.delete('numbers');
  expect(Object.fromEntries(renders)).toEqual({});
  expect(numbers).toBeGreaterThanOrEqual(FRAMES);
  // Once it is let go, they show what was done.
  act(() => editor.move(start, { x: 5, y: 5 }, 'Moved a motif'));
  expect(renders.get('history')).toBeGreaterThan(0);
});
