import { type Design, DESIGN_VERSION, openDesign } from '../../core/document/index.ts';

/** Opens a document that the studio keeps. Checking a large design takes longer than all else that is done to open it, so it is done once. */
export function openKept(document: unknown, isChecked: boolean): Design {
  return isChecked && (document as Design).version === DESIGN_VERSION ? (document as Design) : openDesign(document);
}
