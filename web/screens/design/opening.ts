import { createContext } from 'react';
import type { Placement } from '../../../core/document/index.ts';
import type { DrawerMotif } from '../../api/motifs.ts';

/** Lays a bundle open on the cloth. @throws LoosenError */
export type OpenBundle = (placement: Placement, bundle: DrawerMotif) => void;

export const OpeningContext = createContext<OpenBundle | undefined>(undefined);
