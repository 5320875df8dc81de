import { type Design, openWithinLimits } from '../../core/document/index.ts';
import type { Pool } from './pool.ts';

/** A document of more placements is opened in a process of the pool: that takes too long to be done between two requests. */
const LARGE = 300;

/**
 * Opens a document of any version that comes from elsewhere.
 *
 * @throws DesignError, CommandError or Problem where it is none, or more than a design can be
 */
export async function openDocument(pool: Pool, document: unknown): Promise<Design> {
  const placements: unknown =
    typeof document === 'object' && document ? Reflect.get(document, 'placements') : undefined;
  if (Array.isArray(placements) && placements.length > LARGE) return pool.run({ kind: 'open', document });
  return openWithinLimits(document);
}
