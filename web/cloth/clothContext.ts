import { createContext } from 'react';
import type { ClothParts } from './clothParts.ts';

/** The cloth on screen, for what lies beside it; undefined until it is there. */
export const ClothContext = createContext<ClothParts | undefined>(undefined);
