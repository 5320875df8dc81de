import { createContext } from 'react';

/** Lays kept alternatives beside the arrangement being worked at; undefined where there is no place for that. */
export const SideBySideContext = createContext<((alternatives: readonly string[]) => void) | undefined>(undefined);
