import type { Router } from 'express';
import { nanoid } from 'nanoid';
import * as contract from '../../contract/index.ts';
import { motifsNamedBy } from '../../core/document/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import { Problem } from '../problem.ts';
import {
  keepAlternative,
  listAlternatives,
  MOST_ALTERNATIVES,
  readAlternative,
  removeAlternative,
  renameAlternative,
} from '../store/alternatives.ts';
import { requireMotifs } from '../motifs/requireMotifs.ts';
import { openDocument } from '../work/openDocument.ts';
import type { Studio } from '../studio.ts';

/** The arrangements of a design that are kept under names. */
export function alternativeRoutes({ database, designs, pool }: Studio): Router {
  const router = apiRouter();

  implement(router, contract.listAlternatives, ({ params }) => listAlternatives(database, params.id));

  implement(router, contract.keepAlternative, async ({ params: { id }, body: { name, document } }) => {
    const { design } = await designs.read(id);
    const arrangement = document === undefined ? design : { ...(await openDocument(pool, document)), id };
    await requireMotifs(database, motifsNamedBy(arrangement));
    const kept = await keepAlternative(database, nanoid(12), name, arrangement);
    if (!kept)
      throw new Problem(
        422,
        'Too many',
        `A design keeps at most ${MOST_ALTERNATIVES} alternatives. Nothing was kept; delete one first.`,
      );
    return kept;
  });

  implement(router, contract.readAlternative, ({ params }) => readAlternative(database, params.id, params.alternative));

  implement(router, contract.renameAlternative, ({ params, body }) =>
    renameAlternative(database, params.id, params.alternative, body.name),
  );

  implement(router, contract.deleteAlternative, ({ params }) =>
    removeAlternative(database, params.id, params.alternative),
  );

  return router;
}
