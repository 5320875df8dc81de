import { repeatText } from '../../../core/lattice/index.ts';
import type { DesignSummary } from '../../../contract/index.ts';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { blobUrl } from '../../api/client.ts';
import { designPictureUrl, useDesignRemoval, useDesigns } from '../../api/designs.ts';
import { useLatestSwatches } from '../../api/swatches.ts';
import { Button } from '../../ui/Button.tsx';
import { ClothSample } from '../../ui/ClothSample.tsx';
import { Masthead } from '../../ui/Masthead.tsx';
import { useRemoval } from '../../ui/useRemoval.ts';
import { useUnit } from '../../ui/unit.ts';
import { BackUp } from './BackUp.tsx';
import { NewDesign } from './NewDesign.tsx';
import { TEXTS } from './texts.ts';

/** Cloth hangs at this scale, CSS pixels per millimetre: small enough that the repeat is seen. */
const HANGING = 0.62;
const ON_THE_SHELF = 6;

/** The studio's table: designs as hanging cloth. */
export function Home() {
  const designs = useDesigns();
  const [asking, setAsking] = useState(false);
  return (
    <div className="flex h-full flex-col">
      <Masthead>
        <BackUp />
        <Button look="accent" onClick={() => setAsking(true)}>
          <Plus size={16} aria-hidden /> {TEXTS.newDesign}
        </Button>
      </Masthead>
      <main className="grow overflow-auto px-8 pt-6 pb-10">
        <h1 className="font-name text-2xl font-semibold">{TEXTS.onTheTable}</h1>
        {designs.isError && (
          <p role="alert" className="mt-4 text-madder">
            {designs.error.message}
          </p>
        )}
        {designs.data?.length === 0 && <p className="mt-4 max-w-md">{TEXTS.nothingLiesHereYetBegin}</p>}
        <ul className="mt-5 grid grid-cols-[repeat(auto-fill,minmax(264px,1fr))] gap-x-7 gap-y-9">
          {designs.data?.map((design) => (
            <Hanging key={design.id} design={design} />
          ))}
        </ul>
        <BookShelf />
      </main>
      <NewDesign open={asking} onClose={() => setAsking(false)} />
    </div>
  );
}

/** The latest of the swatch book, a click away. */
function BookShelf() {
  const swatches = useLatestSwatches(ON_THE_SHELF);
  if (!swatches.data?.length) return null;
  return (
    <section aria-labelledby="shelf" className="mt-10">
      <h2 id="shelf" className="font-name text-lg font-semibold">
        <Link to="/swatches" className="underline-offset-4 hover:underline">
          {TEXTS.inTheSwatchBook}
        </Link>
      </h2>
      <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(176px,1fr))] gap-x-5 gap-y-6">
        {swatches.data.map(({ id, name, thumbnail, repeat }) => (
          <li key={id}>
            <Link to={`/swatches/${id}`} className="block">
              <ClothSample
                picture={blobUrl(thumbnail)}
                repeat={repeat}
                scale={HANGING * 0.7}
                className="h-28 border border-thread"
              />
              <span className="mt-1.5 block truncate text-sm font-medium" title={name}>
                {name}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Hanging({ design }: { readonly design: DesignSummary }) {
  const [unit] = useUnit();
  const remove = useRemoval(useDesignRemoval(), TEXTS.nameWasDeleted);
  const { id, name, repeat, motifs } = design;
  return (
    <li className="group relative">
      <Link to={`/designs/${id}`} className="block">
        <div className="h-2 rounded-sm bg-ink/85" />
        <ClothSample
          picture={designPictureUrl(design)}
          repeat={repeat}
          scale={HANGING}
          className="mx-2 h-64 shadow-float"
        />
        <div className="mx-2 mt-3">
          <span className="block truncate pr-9 font-name text-base font-semibold" title={name}>
            {name}
          </span>
          <span className="block text-sm text-graphite">
            {repeatText(repeat, unit)}, {motifs === 1 ? '1 motif' : TEXTS.motifsMotifs(motifs)}
          </span>
        </div>
      </Link>
      <Button
        look="quiet"
        label={TEXTS.putNameAway(name)}
        onClick={() => remove(design)}
        className="absolute right-1 bottom-2 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
      >
        <Trash2 size={15} aria-hidden />
      </Button>
    </li>
  );
}
