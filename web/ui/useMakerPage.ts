import { Brush, Grid3x3, Shapes } from 'lucide-react';
import { useNavigate } from 'react-router';
import { scanOfMotif } from '../api/scans.ts';
import { useNotifyProblem } from './Notices.tsx';
import { fromDesign, type Origin } from './origin.ts';
import { type Made, makerOf } from './makerOf.ts';
import { TEXTS } from './texts.ts';

/** The name and the icon of each such page. */
export const MAKER_CHOICES = {
  array: { name: TEXTS.changeTheArray, Icon: Grid3x3 },
  shape: { name: TEXTS.changeItsShape, Icon: Shapes },
  tile: { name: TEXTS.changeHowItRepeats, Icon: Brush },
  cleaned: { name: TEXTS.changeHowItWasCleaned, Icon: Brush },
  uncleaned: { name: TEXTS.cleanItInTheWorkshop, Icon: Brush },
} as const;

/**
 * @returns opens the page on which a motif was made, where there is one, from a design or from elsewhere; a problem is told as a
 *   notice
 */
export function useMakerPage(): (motif: Made, origin?: Origin) => void {
  const navigate = useNavigate();
  const notifyProblem = useNotifyProblem();
  return (motif, origin) => {
    const maker = makerOf(motif);
    if (!maker) return;
    const go = (path: string): unknown => navigate(path, { state: origin ? fromDesign(origin) : null });
    if ('path' in maker) go(maker.path);
    else
      scanOfMotif(motif.id).then(
        (sheet) => go(`/workshop/${sheet.id}${maker.page === 'tile' ? '/tile' : ''}?motif=${motif.id}`),
        notifyProblem,
      );
  };
}
