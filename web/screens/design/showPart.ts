import { createContext } from 'react';
import type { Part } from '../../editor/editorState.ts';

/** Shows a part of the job in the ticket, unfolded. */
export type ShowPart = (part: Part) => void;

export const ShowPartContext = createContext<ShowPart>(() => undefined);
