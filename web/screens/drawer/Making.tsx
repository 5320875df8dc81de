import type { ListedMotif } from '../../../contract/index.ts';
import { Brush, Grid3x3, Shapes } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { useMotifsById } from '../../api/motifs.ts';
import { scanOfMotif } from '../../api/scans.ts';
import { Button } from '../../ui/Button.tsx';
import { useNotifyProblem } from '../../ui/Notices.tsx';
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
  const { recipe, source } = motif;
  const navigate = useNavigate();
  const notifyProblem = useNotifyProblem();
  if (recipe?.kind === 'array')
    return (
      <DrawerLink to={`/arrays/${motif.id}`}>
        <Grid3x3 size={15} aria-hidden /> {TEXTS.changeTheArray}
      </DrawerLink>
    );
  if (recipe?.kind === 'shape')
    return (
      <DrawerLink to={`/build/${motif.id}`}>
        <Shapes size={15} aria-hidden /> {TEXTS.changeItsShape}
      </DrawerLink>
    );
  if (recipe?.kind === 'bundle') return <Parts motifs={recipe.parts.map((part) => part.motif)} />;
  if (recipe?.kind === 'drawn' || recipe?.kind === 'vine')
    return <p className="text-xs text-graphite">{TEXTS.drawnByHand}</p>;
  const isTile = recipe?.kind === 'tile';
  const isPicture =
    isTile ||
    recipe?.kind === 'scan' ||
    ((recipe === null || recipe.kind === 'merged') && /\.(png|jpg|webp|tif|avif)$/.test(source));
  if (!isPicture) return null;
  const clean = (): void =>
    void scanOfMotif(motif.id).then(
      (sheet) => navigate(`/workshop/${sheet.id}${isTile ? '/tile' : ''}?motif=${motif.id}`),
      notifyProblem,
    );
  return (
    <Button onClick={clean}>
      <Brush size={15} aria-hidden />{' '}
      {isTile
        ? TEXTS.changeHowItRepeats
        : recipe?.kind === 'scan'
          ? TEXTS.changeHowItWasCleaned
          : TEXTS.cleanItInTheWorkshop}
    </Button>
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
