import type { DesignMotif, StoredDesign } from '../../../contract/index.ts';
import { cutText } from '../../../core/schema/index.ts';
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
import { allMade, isMaking } from '../../editor/wholeDesign.ts';
import { DesignEditor } from './DesignEditor.tsx';
import { TEXTS } from './texts.ts';

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
        text: TEXTS.editsOfBeforeKeptIn(delivered.saved),
      });
    for (const name of delivered?.parted ?? [])
      notify({
        text: TEXTS.theDesignWasChangedElsewhere(name),
        tone: 'problem',
      });
  }, [delivered, notify]);
  return (
    <Fetched
      what="design"
      query={kept.error ? { data: undefined, error: kept.error } : design}
      back={{ to: '/', name: 'table' }}
    >
      {(opened) => <OpenedDesign key={id} opened={opened} />}
    </Fetched>
  );
}

/** The editor and the saver of one open design, for as long as it is open. */
function OpenedDesign({ opened }: { readonly opened: StoredDesign }) {
  const motifs = useDesignMotifs(opened.design.id);
  const client = useQueryClient();
  const navigate = useNavigate();
  const notify = useNotify();
  const { id } = opened.design;

  /** Ours becomes a design of its own; the other stays as the server has it. */
  const part = async (session: Session, why: string): Promise<void> => {
    const mine = session.state.committed;
    const time = new Date().toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
    const { design } = await createDesign(TEXTS.nameKeptTime(cutText(mine.name, 100), time), { document: mine });
    notify({
      text: TEXTS.whyBothVersionsAreKept(why, design.name),
      tone: 'problem',
      action: { label: TEXTS.openTheOther, run: () => void navigate(`/designs/${id}`) },
    });
    await navigate(`/designs/${design.id}`, { replace: true });
  };

  // A design is opened once; what is fetched again later does not disturb the editor.
  const [{ editor, saver, presence, key }] = useState(() => {
    const editor = new Editor(opened.design);
    if (new URLSearchParams(window.location.search).get('show') === 'toss') editor.part.set('toss');
    editor.clipboard = BROWSER_CLIPBOARD;
    const key = nanoid();
    const saver = new Saver(editor.session, opened.revision, {
      store: (unsaved) =>
        void (unsaved ? putInOutbox({ key, design: id, ...unsaved }) : removeFromOutbox(key)).catch((error: unknown) =>
          notify({
            text: TEXTS.thisBrowserKeepsNoCopy(String(error)),
            tone: 'problem',
          }),
        ),
      send: (save, revision, commands, leaving) => saveCommands(id, save, revision, commands, leaving),
      since: (revision) => readSince(id, revision, key, true),
      read: () => readDesign(id),
      fork: (why) => part(editor.session, why),
    });
    const presence = new Presence(saver, {
      since: (revision, editing) => readSince(id, revision, key, editing),
      leave: () => leaveDesign(id, key),
    });
    return { editor, saver, presence, key };
  });

  useEffect(() => {
    // What is not acknowledged is kept in the browser, so leaving loses nothing and nothing has to be asked.
    const leave = (): void => {
      saver.leave();
      leaveDesign(id, key);
    };
    const here = new AbortController();
    void navigator.locks.request(
      lockOf(key),
      () => new Promise<void>((resolve) => here.signal.addEventListener('abort', () => resolve())),
    );
    editor.open.set(true);
    saver.open();
    presence.open();
    // Other windows of this browser are told at once; those elsewhere ask by themselves.
    const broadcastChannel = new BroadcastChannel(`hevrel-saved-${id}`);
    broadcastChannel.onmessage = () => void presence.ask();
    let { revision } = saver;
    const tell = saver.subscribe(() => {
      // The server hears first that this window is edited in.
      if (saver.revision !== revision && saver.getState().kind === 'saved')
        void presence.ask().then(() => here.signal.aborted || broadcastChannel.postMessage('saved'));
      ({ revision } = saver);
    });
    window.addEventListener('pagehide', leave);
    const end = (): void => {
      here.abort();
      window.removeEventListener('pagehide', leave);
      broadcastChannel.postMessage('saved');
      broadcastChannel.close();
      editor.open.set(false);
      saver.close();
      void client.invalidateQueries({ queryKey: ['designs'] });
    };
    return () => {
      tell();
      presence.close();
      editor.tossing.close();
      saver.leave();
      if (!isMaking(editor)) end();
      // What is still being made was finished before the design was left. Where it cannot be sent it stays in the outbox.
      else
        void allMade(editor)
          .then(() => saver.flush())
          .then(end, end);
    };
  }, [editor, saver, presence, client, key, id]);

  // The editors of open bundles are stacked on the design’s own; the topmost is the one in use.
  const [within, setWithin] = useState<readonly Editor[]>([]);
  const top = within.at(-1) ?? editor;
  useEffect(() => {
    if (!motifs.data) return;
    for (const each of [editor, ...within]) each.learn('design', motifs.data);
    editor.adoptInks();
  }, [editor, within, motifs.data]);

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
    top.open.set(false);
    // The view stays where the hand left it.
    (within.at(-2) ?? editor).copyViewFrom(top);
    setWithin((stack) => stack.slice(0, -1));
  }, [within, editor, top]);

  return (
    <EditorContext value={top}>
      <OpeningContext value={open}>
        <DesignEditor
          key={within.length}
          saver={saver}
          presence={presence}
          outer={within.at(-2) ?? editor}
          onClose={close}
        />
      </OpeningContext>
    </EditorContext>
  );
}

function insideOf(
  editor: Editor,
  placement: Placement,
  motif: DesignMotif,
  recipe: BundleRecipe,
): ConstructorParameters<typeof Editor> {
  const opened = openBundle(editor.session.state.committed, placement, motif, recipe.parts, nanoid);
  return [opened.design, { name: motif.name, motif: motif.id, opened }];
}
