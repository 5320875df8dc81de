import type { DesignMotif } from '../../../contract/index.ts';
import { createContext } from 'react';
import type { Placement } from '../../../core/document/index.ts';

/** Lays a bundle open on the cloth. @throws LoosenError */
export type OpenBundle = (placement: Placement, bundle: DesignMotif) => void;

export const OpeningContext = createContext<OpenBundle | undefined>(undefined);
