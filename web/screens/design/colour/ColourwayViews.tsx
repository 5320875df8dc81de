import type { ColourwayView } from './colourwayView.ts';
import { ColourwaysBeside } from './ColourwaysBeside.tsx';
import { ColourwayTable } from './ColourwayTable.tsx';
import { Proposals } from './Proposals.tsx';
import { Separations } from './separations/Separations.tsx';

const VIEWS = { table: ColourwayTable, proposals: Proposals, beside: ColourwaysBeside, plates: Separations } as const;

interface Props {
  readonly view: ColourwayView;
  readonly onClose: () => void;
  /** Has all that was done saved. */
  readonly save: () => Promise<void>;
}

/** The view of the colourways that is open. */
export function ColourwayViews({ view, ...props }: Props) {
  const View = VIEWS[view];
  return <View {...props} />;
}
