import { createContext } from 'react';

/** Views of the colourways that cover the cloth. */
export type ColourwayView = 'table' | 'proposals' | 'beside' | 'plates';

/** Opens one; undefined where there is no place for that. */
export const ColourwayViewContext = createContext<((view: ColourwayView) => void) | undefined>(undefined);
