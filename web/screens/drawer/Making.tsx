import type { ListedMotif } from '../../../contract/index.ts';
import { Grid3x3 } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useMotifsById } from '../../api/motifs.ts';
import { Button } from '../../ui/Button.tsx';
import { makerOf } from '../../ui/makerOf.ts';
import { MAKER_CHOICES, useMakerPage } from '../../ui/useMakerPage.ts';
import { TEXTS } from './texts.ts';

/** How the motif is made, the way back to where that can be changed, and on to an array of it. */
export function Making({ motif }: { readonly motif: ListedMotif }) {
  return (
    <div className="grid gap-2">
      <MadeBy motif={motif} />
      <DrawerLink to={`/arrays/new/${motif.id}`}>
        <Grid3x3 size={15} aria-hidden /> {TEXTS.layItAsAnArray}
      </DrawerLink>
    </div>
  );
}

function MadeBy({ motif }: { readonly motif: ListedMotif }) {
  const { recipe } = motif;
  const open = useMakerPage();
  const maker = makerOf(motif);
  if (recipe?.kind === 'bundle') return <Parts motifs={recipe.parts.map((part) => part.motif)} />;
  if (recipe?.kind === 'drawn' || recipe?.kind === 'vine')
    return <p className="text-xs text-graphite">{TEXTS.drawnByHand}</p>;
  if (!maker) return null;
  const { name, Icon } = MAKER_CHOICES[maker.page];
  const content = (
    <>
      <Icon size={15} aria-hidden /> {name}
    </>
  );
  return 'path' in maker ? (
    <DrawerLink to={maker.path}>{content}</DrawerLink>
  ) : (
    <Button onClick={() => open(motif)}>{content}</Button>
  );
}

function DrawerLink({ to, children }: { readonly to: string; readonly children: ReactNode }) {
  return (
    <Link
      to={to}
      className="inline-flex h-8 items-center justify-center gap-1.5 rounded-md border border-thread bg-white text-sm font-medium hover:border-graphite"
    >
      {children}
    </Link>
  );
}

function Parts({ motifs }: { readonly motifs: readonly string[] }) {
  const counts = new Map<string, number>();
  for (const id of motifs) counts.set(id, (counts.get(id) ?? 0) + 1);
  const names = new Map(useMotifsById([...counts.keys()]).map(({ id, name }) => [id, name]));
  return (
    <section aria-label={TEXTS.parts} className="text-sm">
      <h2 className="text-xs text-graphite">{TEXTS.aBundleOfMotifsOpen(motifs.length)}</h2>
      <ul>
        {[...counts].map(([id, count]) => (
          <li key={id}>
            {names.get(id) ?? TEXTS.aMotif}
            {count > 1 && <span className="text-graphite">{TEXTS.countTimes(count)}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}
