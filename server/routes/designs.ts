import { Router } from 'express';
import { nanoid } from 'nanoid';
import { mixed, number, object, string } from 'yup';
import { type Command, commandsSchema, type Design, newDesign, openDesign } from '../../core/document/index.ts';
import { type Repeat, repeatSchema } from '../../core/lattice/index.ts';
import { idSchema, nameSchema } from '../../core/schema/index.ts';
import { Problem } from '../problem.ts';
import { PresenceRegistry } from '../presence.ts';
import { insertDesign, listDesigns, readDesign, saveDesign, savesSince, setDesignDeleted } from '../store/designs.ts';
import { motifsById } from '../store/motifs.ts';
import type { Studio } from '../studio.ts';
import { alternativeRoutes } from './alternatives.ts';
import { designPicture } from '../paint/designPicture.ts';

const strict = { strict: true } as const;

const creation = object({
  name: nameSchema,
  repeat: repeatSchema.optional().default(undefined),
  document: mixed().optional(),
}).noUnknown();

const saving = object({
  save: string().required().min(8).max(64),
  revision: number().integer().min(1).required(),
  commands: commandsSchema,
}).noUnknown();

const asking = object({ window: idSchema, editing: string().oneOf(['0', '1']).default('0') });

/** Designs: listing, opening, creating, saving by commands, putting away. */
export function designRoutes(studio: Studio): Router {
  const { database } = studio;
  const router = Router();
  const presence = new PresenceRegistry();

  router.get('/', async (_request, response) => {
    response.json(await listDesigns(database));
  });

  router.post('/', async (request, response) => {
    const { name, repeat, document } = creation.validateSync(request.body, strict);
    const id = nanoid(12);
    let design: Design;
    if (document !== undefined) design = { ...openDesign(document), id, name };
    else if (repeat) design = newDesign(id, name, repeat as Repeat);
    else throw new Problem(400, 'Not understood', 'A new design needs a repeat or a document. Nothing was created.');
    await requireMotifs(studio, design);
    response.status(201).json(await insertDesign(database, design));
  });

  router.get('/:id', async (request, response) => {
    response.json(await readDesign(database, request.params.id));
  });

  router.patch('/:id', async (request, response) => {
    const save = saving.validateSync(request.body, strict);
    const commands = save.commands as Command[];
    const known = new Set((await motifsById(database, commands.flatMap(motifsIn))).map(({ id }) => id));
    const missing = commands.flatMap(motifsIn).find((id) => !known.has(id));
    if (missing) throw unknownMotif(missing);
    response.json({ revision: await saveDesign(database, request.params.id, { ...save, commands }) });
  });

  router.delete('/:id', async (request, response) => {
    await setDesignDeleted(database, request.params.id, true);
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    await setDesignDeleted(database, request.params.id, false);
    response.status(204).end();
  });

  // What other windows have done since, and how many there are; a window that asks is one of them.
  router.get('/:id/since/:revision', async (request, response) => {
    const { window, editing } = asking.validateSync(request.query);
    const since = await savesSince(database, request.params.id, revisionIn(request.params.revision));
    response
      .set('Cache-Control', 'no-store')
      .json({ ...since, others: presence.others(request.params.id, window, editing === '1') });
  });

  router.post('/:id/windows/:window/left', (request, response) => {
    presence.leave(request.params.id, request.params.window);
    response.status(204).end();
  });

  router.use('/:id/alternatives', alternativeRoutes(studio));

  router.get('/:id/picture', async (request, response) => {
    const address = await designPicture(studio, request.params.id);
    response.set('Cache-Control', 'no-cache').type('png').sendFile(studio.blobs.pathOf(address));
  });

  return router;
}

/** @throws Problem 400 */
function revisionIn(text: string): number {
  const revision = Number(text);
  if (!Number.isInteger(revision) || revision < 1)
    throw new Problem(400, 'Not understood', 'A revision is a whole number from 1.');
  return revision;
}

function motifsIn(command: Command): string[] {
  if (command.type === 'insert') return command.placements.map(({ placement }) => placement.motif);
  if (command.type === 'change') return Object.values(command.changes).flatMap(({ motif }) => motif ?? []);
  return command.type === 'all' ? command.commands.flatMap(motifsIn) : [];
}

async function requireMotifs({ database }: Studio, { placements }: Design): Promise<void> {
  const ids = placements.map(({ motif }) => motif);
  const known = new Set((await motifsById(database, ids)).map(({ id }) => id));
  const missing = ids.find((id) => !known.has(id));
  if (missing) throw unknownMotif(missing);
}

function unknownMotif(id: string): Problem {
  return new Problem(
    422,
    'Unknown motif',
    `The design uses a motif (${id}) that is not in the drawer. Nothing was changed.`,
  );
}
