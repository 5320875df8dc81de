import type { Router } from 'express';
import { nanoid } from 'nanoid';
import * as contract from '../../contract/index.ts';
import { type Command, motifsNamedBy, newDesign } from '../../core/document/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import { openDocument } from '../work/openDocument.ts';
import { designPicture } from '../paint/designPicture.ts';
import { PresenceRegistry } from '../presence.ts';
import { requireMotifs } from '../motifs/requireMotifs.ts';
import { motifsOfDesign } from '../store/motifs.ts';
import type { Studio } from '../studio.ts';

/** Designs: listing, opening, creating, saving by commands, deleting. */
export function designRoutes(studio: Studio): Router {
  const { database, designs } = studio;
  const router = apiRouter();
  const presence = new PresenceRegistry();

  implement(router, contract.listDesigns, () => designs.list());

  implement(router, contract.createDesign, async ({ body: { name, repeat, document } }) => {
    const id = nanoid(12);
    const design = repeat ? newDesign(id, name, repeat) : { ...(await openDocument(studio.pool, document)), id, name };
    await requireMotifs(database, motifsNamedBy(design));
    return designs.insert(design);
  });

  implement(router, contract.readDesign, ({ params }) => designs.read(params.id));

  implement(router, contract.listDesignMotifs, async ({ params }) => {
    const { design } = await designs.read(params.id);
    return motifsOfDesign(database, design);
  });

  implement(router, contract.saveDesign, async ({ params, body }) => {
    await requireMotifs(database, body.commands.flatMap(motifsOfCommand));
    return { revision: await designs.save(params.id, body) };
  });

  implement(router, contract.deleteDesign, ({ params }) => designs.setDeleted(params.id, true));
  implement(router, contract.restoreDesign, ({ params }) => designs.setDeleted(params.id, false));

  implement(router, contract.readSince, async ({ params, query: { window, editing }, response }) => {
    response.set('Cache-Control', 'no-store');
    const since = await designs.since(params.id, params.revision);
    return { ...since, others: presence.others(params.id, window, editing === '1') };
  });

  implement(router, contract.leaveDesign, ({ params }) => presence.leave(params.id, params.window));

  implement(router, contract.readDesignPicture, async ({ params, response }) => {
    const address = await designPicture(studio, params.id);
    const path = await studio.blobs.soundPathOf(address);
    response.set('Cache-Control', 'no-cache').sendFile(path);
  });

  return router;
}

function motifsOfCommand(command: Command): string[] {
  if (command.type === 'insert') return command.placements.map(({ placement }) => placement.motif);
  if (command.type === 'change') return Object.values(command.changes).flatMap(({ motif }) => motif ?? []);
  return command.type === 'all' ? command.commands.flatMap(motifsOfCommand) : [];
}
