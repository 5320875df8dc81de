import type { ColourwayView } from './colourwayView.ts';
import { ColourwaysBeside } from './ColourwaysBeside.tsx';
import { ColourwayTable } from './ColourwayTable.tsx';
import { Proposals } from './Proposals.tsx';

const VIEWS = { table: ColourwayTable, proposals: Proposals, beside: ColourwaysBeside } as const;

/** The view of the colourways that is open. */
export function ColourwayViews({ view, onClose }: { readonly view: ColourwayView; readonly onClose: () => void }) {
  const View = VIEWS[view];
  return <View onClose={onClose} />;
}
