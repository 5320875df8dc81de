import type { DesignMotif, StoredDesign } from '../../../contract/index.ts';
import type { Session } from '../../editor/session.ts';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { nanoid } from 'nanoid';
import { useCallback, useEffect, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { openBundle } from '../../../core/bundle/index.ts';
import type { Placement } from '../../../core/document/index.ts';
import type { BundleRecipe } from '../../../core/recipe/index.ts';
import { createDesign, leaveDesign, readDesign, readSince, saveCommands, useDesign } from '../../api/designs.ts';
import { useDesignMotifs } from '../../api/motifs.ts';
import { Fetched } from '../../ui/Fetched.tsx';
import { useNotify } from '../../ui/Notices.tsx';
import { EditorContext } from '../../cloth/editorContext.ts';
import { Editor } from '../../editor/editor.ts';
import { BROWSER_CLIPBOARD } from '../../editor/clipboard.ts';
import { Presence } from '../../editor/presence.ts';
import { deliverOutbox, lockOf } from '../../editor/deliverOutbox.ts';
import { removeFromOutbox, putInOutbox } from '../../editor/outbox.ts';
import { OpeningContext, type OpenBundle } from './opening.ts';
import { Saver } from '../../editor/saver.ts';
import { Workbench } from './DesignEditor.tsx';

/** Opens a design for editing. */
export function DesignPage() {
  const { id = '' } = useParams();
  const notify = useNotify();
  // What an earlier window could not send goes first, so that what is opened has it in it.
  const kept = useQuery({ queryKey: ['kept', id], queryFn: () => deliverOutbox(id), gcTime: 0, staleTime: Infinity });
  const design = useDesign(id, kept.isSuccess);
  const delivered = kept.data;
  useEffect(() => {
    if (delivered && delivered.saved > 0)
      notify({
        text: `${delivered.saved === 1 ? 'One edit' : `${delivered.saved} edits`} of before, kept in this browser, ${delivered.saved === 1 ? 'is' : 'are'} saved now.`,
      });
    for (const name of delivered?.parted ?? [])
      notify({
        text: `The design was changed elsewhere meanwhile. Your edits of before are kept as “${name}”.`,
        tone: 'problem',
      });
  }, [delivered, notify]);
  return (
    <Fetched
      what="design"
      query={kept.error ? { data: undefined, error: kept.error } : design}
      back={{ to: '/', name: 'table' }}
    >
      {(opened) => <OpenBench key={id} opened={opened} />}
    </Fetched>
  );
}

/** The bench and the saver of one open design, for as long as it is open. */
function OpenBench({ opened }: { readonly opened: StoredDesign }) {
  const motifs = useDesignMotifs(opened.design.id);
  const client = useQueryClient();
  const navigate = useNavigate();
  const notify = useNotify();
  const { id } = opened.design;

  /** Ours becomes a design of its own; the other stays as the server has it. */
  const part = async (session: Session, why: string): Promise<void> => {
    const mine = session.state.committed;
    const time = new Date().toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
    const { design } = await createDesign(`${mine.name.slice(0, 100)}, kept ${time}`, { document: mine });
    notify({
      text: `${why} Both versions are kept: this is yours, as “${design.name}”.`,
      tone: 'problem',
      action: { label: 'Open the other', run: () => void navigate(`/designs/${id}`) },
    });
    await navigate(`/designs/${design.id}`, { replace: true });
  };

  // A design is opened once; what is read again later does not disturb the bench.
  const [{ bench, saver, company, key }] = useState(() => {
    const bench = new Editor(opened.design);
    if (new URLSearchParams(window.location.search).get('show') === 'toss') bench.arrangeSide.set('toss');
    bench.clipboard = BROWSER_CLIPBOARD;
    const key = nanoid();
    const saver = new Saver(bench.session, opened.revision, {
      store: (unsaved) =>
        void (unsaved ? putInOutbox({ key, design: id, ...unsaved }) : removeFromOutbox(key)).catch((error: unknown) =>
          notify({
            text: `This browser keeps no copy of what is not saved yet (${String(error)}). Leave this window open until it says “Saved”.`,
            tone: 'problem',
          }),
        ),
      send: (save, revision, commands, leaving) => saveCommands(id, save, revision, commands, leaving),
      since: (revision) => readSince(id, revision, key, true),
      read: () => readDesign(id),
      fork: (why) => part(bench.session, why),
    });
    const company = new Presence(saver, {
      since: (revision, editing) => readSince(id, revision, key, editing),
      leave: () => leaveDesign(id, key),
    });
    return { bench, saver, company, key };
  });

  useEffect(() => {
    // What is not acknowledged is kept in the browser, so leaving loses nothing and nothing has to be asked.
    const leave = (): void => saver.leave();
    const here = new AbortController();
    void navigator.locks.request(
      lockOf(key),
      () => new Promise<void>((resolve) => here.signal.addEventListener('abort', () => resolve())),
    );
    saver.open();
    company.open();
    // Other windows of this browser are told at once; those elsewhere ask by themselves.
    const broadcastChannel = new BroadcastChannel(`hevrel-saved-${id}`);
    broadcastChannel.onmessage = () => void company.ask();
    let { revision } = saver;
    const tell = saver.subscribe(() => {
      // The server hears first that this window is edited in.
      if (saver.revision !== revision && saver.getState().kind === 'saved')
        void company.ask().then(() => here.signal.aborted || broadcastChannel.postMessage('saved'));
      ({ revision } = saver);
    });
    window.addEventListener('pagehide', leave);
    return () => {
      here.abort();
      window.removeEventListener('pagehide', leave);
      tell();
      broadcastChannel.close();
      company.close();
      bench.tossing.close();
      saver.leave();
      saver.close();
      void client.invalidateQueries({ queryKey: ['designs'] });
    };
  }, [bench, saver, company, client, key, id]);

  // Benches within bundles lie on top of the design's own; the topmost is worked at.
  const [within, setWithin] = useState<readonly Editor[]>([]);
  const top = within.at(-1) ?? bench;
  useEffect(() => {
    if (!motifs.data) return;
    for (const editor of [bench, ...within]) editor.learn('design', motifs.data);
    bench.adoptInks();
  }, [bench, within, motifs.data]);

  const open = useCallback<OpenBundle>(
    (placement, motif) => {
      if (motif.recipe?.kind !== 'bundle') return;
      const inner = new Editor(...insideOf(top, placement, motif, motif.recipe));
      inner.learn('design', top.motifs.getState());
      inner.copyViewFrom(top);
      setWithin((stack) => [...stack, inner]);
    },
    [top],
  );
  const close = useCallback(() => {
    top.tossing.close();
    // The view stays where the hand left it.
    (within.at(-2) ?? bench).copyViewFrom(top);
    setWithin((stack) => stack.slice(0, -1));
  }, [within, bench, top]);

  return (
    <EditorContext value={top}>
      <OpeningContext value={open}>
        <Workbench key={within.length} saver={saver} company={company} onClose={close} />
      </OpeningContext>
    </EditorContext>
  );
}

function insideOf(
  bench: Editor,
  placement: Placement,
  motif: DesignMotif,
  recipe: BundleRecipe,
): ConstructorParameters<typeof Editor> {
  const opened = openBundle(bench.session.state.committed, placement, motif, recipe.parts, nanoid);
  return [opened.design, { name: motif.name, motif: motif.id, opened }];
}
