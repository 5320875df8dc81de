import type { ListedMotif, StoredMotif } from '../../../contract/index.ts';
import { CopyPlus, ImageUp, Trash2, X } from 'lucide-react';
import { useId, useRef, useState } from 'react';
import { Link } from 'react-router';
import { naturalHeight } from '../../../core/motif/index.ts';
import { blobUrl } from '../../api/client.ts';
import { readUses, useMotifMutation, useCollections, useMotifUses, type MotifMutation } from '../../api/motifs.ts';
import { Button } from '../../ui/Button.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { ACCEPTED } from './files.ts';
import { Inks } from './Inks.tsx';
import { Making } from './Making.tsx';
import { PicturePalette } from './PicturePalette.tsx';
import { TEXTS } from './texts.ts';

/** One motif of the drawer: its names and sizes, where it is used, and what can be done with it. */
export function MotifTicket({
  motif,
  onClose,
  onMade,
}: {
  readonly motif: ListedMotif;
  readonly onClose: () => void;
  /** Told of a motif that was made of it. */
  readonly onMade: (id: string) => void;
}) {
  const mutation = useMotifMutation();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const uses = useMotifUses(motif.id);
  const file = useRef<HTMLInputElement>(null);
  // By its promise, since a mutation may unmount this very ticket before it is done.
  const act = (what: MotifMutation, then?: (made: unknown) => void): void =>
    void mutation.mutateAsync(what).then(then, notifyProblem);
  const change = (to: Extract<MotifMutation, { change: unknown }>['change'], tagsWere?: readonly string[]): void =>
    act({ id: motif.id, change: to, ...(tagsWere && { tagsWere }) });

  const remove = async (): Promise<void> => {
    // Asked anew, since a design may have taken it up a moment ago.
    const used = await readUses(motif.id).catch(() => []);
    const where = used.length > 0 ? TEXTS.itStaysOnTheCloth(listOf(used.map(({ name }) => `“${name}”`))) : '';
    act({ id: motif.id, deleted: true }, () => {
      onClose();
      notify({
        text: TEXTS.nameWasDeletedFromThe(motif.name, where),
        action: { label: TEXTS.undo, run: () => act({ id: motif.id, deleted: false }) },
      });
    });
  };

  return (
    <aside
      aria-label={motif.name}
      className="flex w-[304px] shrink-0 flex-col gap-4 overflow-y-auto *:shrink-0 border-l border-thread bg-calico p-5"
    >
      <div className="flex items-start gap-2">
        <div className="h-36 min-w-0 grow rounded-md border border-thread bg-white p-2">
          <img src={blobUrl(motif.thumbnail)} alt="" className="h-full w-full motif-thumb" />
        </div>
        <Button look="quiet" label={TEXTS.close} onClick={onClose}>
          <X size={16} aria-hidden />
        </Button>
      </div>
      <NameField
        label={TEXTS.nameOfTheMotif}
        name={motif.name}
        onRename={(name) => change({ name })}
        className="h-9 w-full border-thread bg-white font-name text-base font-semibold"
      />
      <div className="grid grid-cols-2 gap-2">
        <LengthField
          label={TEXTS.naturalWidth}
          mm={motif.width}
          min={0.5}
          max={5000}
          onChange={(width) => change({ width })}
        />
        <LengthField
          label={TEXTS.naturalHeight}
          mm={naturalHeight(motif)}
          min={0.5}
          max={5000}
          onChange={(height) => change({ width: (motif.width * height) / naturalHeight(motif) })}
        />
      </div>
      <CollectionField motif={motif} onChange={(collection) => change({ collection })} />
      <Tags tags={motif.tags} onChange={(tags) => change({ tags }, motif.tags)} />
      {motif.inks.length > 0 && <Inks motif={motif} onRecipe={(recipe) => act({ id: motif.id, recipe })} />}
      <PicturePalette key={motif.id} motif={motif} onRecipe={(recipe) => act({ id: motif.id, recipe })} />
      <Making motif={motif} />
      <section aria-label={TEXTS.usedIn} className="text-sm">
        <h2 className="text-xs text-graphite">{TEXTS.usedIn}</h2>
        {uses.data?.length === 0 && <p>{TEXTS.noDesignYet}</p>}
        <ul>
          {uses.data?.map(({ id, name, count }) => (
            <li key={id}>
              <Link to={`/designs/${id}`} className="underline-offset-2 hover:underline">
                {name}
              </Link>
              <span className="text-graphite">, {count === 1 ? 'once' : TEXTS.countTimesText(count)}</span>
            </li>
          ))}
        </ul>
      </section>
      <div className="grid gap-2 border-t border-dashed border-thread pt-4">
        <Button
          onClick={() =>
            act({ id: motif.id, duplicate: true }, (made) => {
              onMade((made as StoredMotif).id);
            })
          }
        >
          <CopyPlus size={15} aria-hidden /> {TEXTS.duplicate}
        </Button>
        <Button onClick={() => file.current?.click()}>
          <ImageUp size={15} aria-hidden /> {TEXTS.replaceTheArtwork}
        </Button>
        <input
          ref={file}
          type="file"
          hidden
          accept={ACCEPTED}
          aria-label={TEXTS.newArtwork}
          onChange={(event) => {
            const [artwork] = event.target.files ?? [];
            if (artwork) act({ id: motif.id, artwork }, () => notify({ text: TEXTS.nameHasItsNewArtwork(motif.name) }));
            event.target.value = '';
          }}
        />
        <Button onClick={() => void remove()}>
          <Trash2 size={15} aria-hidden /> {TEXTS.deleteIt}
        </Button>
      </div>
    </aside>
  );
}

/** The collection, typed or chosen from those there are. */
function CollectionField({
  motif,
  onChange,
}: {
  readonly motif: ListedMotif;
  readonly onChange: (collection: string) => void;
}) {
  const list = useId();
  const collections = useCollections();
  const [typed, setTyped] = useState<string>();
  const take = (): void => {
    const next = (typed ?? '').trim();
    if (next && next !== motif.collection) onChange(next);
    setTyped(undefined);
  };
  return (
    <label className="block">
      <span className="mb-0.5 block text-xs text-graphite">{TEXTS.collection}</span>
      <input
        list={list}
        value={typed ?? motif.collection}
        maxLength={120}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          if (event.key === 'Escape') setTyped(undefined);
        }}
        className="h-8 w-full rounded-md border border-thread bg-white px-2 text-sm"
      />
      <datalist id={list}>
        {(collections.data ?? []).map(({ name }) => (
          <option key={name} value={name} />
        ))}
      </datalist>
    </label>
  );
}

function Tags({ tags, onChange }: { readonly tags: readonly string[]; readonly onChange: (tags: string[]) => void }) {
  const [typed, setTyped] = useState('');
  const add = (): void => {
    const tag = typed.trim().toLowerCase();
    if (tag && !tags.includes(tag)) onChange([...tags, tag]);
    setTyped('');
  };
  return (
    <div>
      <span className="mb-0.5 block text-xs text-graphite">{TEXTS.tags}</span>
      <div className="flex flex-wrap gap-1 rounded-md border border-thread bg-white p-1">
        {tags.map((tag) => (
          <button
            key={tag}
            type="button"
            title={TEXTS.takeTheTagTagAway(tag)}
            onClick={() => onChange(tags.filter((one) => one !== tag))}
            className="flex items-center gap-1 rounded-sm bg-linen px-1.5 text-xs hover:bg-thread"
          >
            {tag} <X size={11} aria-hidden />
          </button>
        ))}
        <input
          aria-label={TEXTS.addATag}
          value={typed}
          maxLength={60}
          placeholder={tags.length === 0 ? TEXTS.heroShellBlue : ''}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={add}
          onKeyDown={(event) => {
            if (event.key === 'Enter' || event.key === ',') {
              event.preventDefault();
              add();
            }
          }}
          className="h-6 min-w-16 grow px-1 text-sm focus:outline-none"
        />
      </div>
    </div>
  );
}

function listOf(names: readonly string[]): string {
  return names.length < 2 ? (names[0] ?? '') : TEXTS.listAndNames(names.slice(0, -1).join(', '), names.at(-1));
}
