import { timingSafeEqual } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { FileStore } from '@tus/file-store';
import { Server as UploadServer } from '@tus/server';
import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express';
import { nanoid } from 'nanoid';
import { string, ValidationError } from 'yup';
import { messageOf } from '../../core/problem/index.ts';
import type { Pool } from '../work/pool.ts';
import type { HouseBehaviour } from '../../core/print/index.ts';
import { HouseFiles, STRIKE_OFF_VIEWS } from './houseFiles.ts';
import { houseWishSchema } from './houseOrder.ts';
import { HouseOrders, type HousePace } from './houseOrders.ts';
import { HOUSE_RULES } from './houseRules.ts';

/** Where a service is, and what it is asked with. */
export interface HouseAddress {
  readonly url: string;
  readonly key: string;
}

const PACE: HousePace = { answer: 4000, dispatch: 20_000 };
/** Between two parts of an upload while it is told to be slow, ms. */
const SLOW_MS = 400;

/**
 * A simulated print house: a service of its own in this process, behind a port of its own that only this machine
 * reaches, with its own disk and its own API. Uploads follow the open protocol tus 1.0. It is opened when it is first
 * asked for.
 */
export class PrintHouse {
  readonly #folder: string;
  readonly #pool: Pick<Pool, 'run'>;
  readonly #pace: HousePace;
  readonly #key = nanoid(32);
  #opened: Promise<{ readonly server: Server; readonly orders: HouseOrders }> | undefined;
  #behaviour: HouseBehaviour = 'normal';

  /** @param folder its own, in which nobody else writes */
  constructor(folder: string, pool: Pick<Pool, 'run'>, pace: HousePace = PACE) {
    this.#folder = folder;
    this.#pool = pool;
    this.#pace = pace;
  }

  get behaviour(): HouseBehaviour {
    return this.#behaviour;
  }

  /** Tells it how to behave from now on. */
  async behave(behaviour: HouseBehaviour): Promise<void> {
    this.#behaviour = behaviour;
    if (this.#opened) (await this.#opened).orders.behaviour = behaviour;
  }

  /** Where it is. */
  async address(): Promise<HouseAddress> {
    this.#opened ??= this.#open();
    const { port } = (await this.#opened).server.address() as AddressInfo;
    return { url: `http://127.0.0.1:${port}`, key: this.#key };
  }

  async close(): Promise<void> {
    if (!this.#opened) return;
    const { server, orders } = await this.#opened;
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
    await orders.close();
  }

  async #open(): Promise<{ server: Server; orders: HouseOrders }> {
    const files = new HouseFiles(this.#folder);
    const orders = new HouseOrders(HOUSE_RULES, files, this.#pool, this.#pace);
    orders.behaviour = this.#behaviour;
    const server = createServer(this.#app(orders));
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject);
      server.listen(0, '127.0.0.1', resolve);
    });
    return { server, orders };
  }

  #app(orders: HouseOrders): Express {
    const app = express();
    app.disable('x-powered-by');
    app.use(this.#knowing(), this.#behaving());
    app.get('/rules', (_request, response) => void response.json(orders.rules));
    app.use('/uploads', this.#uploads(orders));
    app.use(express.json({ limit: '20kb' }));
    app.post('/orders', async (request, response) => {
      const wish = houseWishSchema.validateSync(request.body, { strict: true });
      response.status(201).json(found(await orders.take(wish)));
    });
    app.get('/orders/:id', ({ params }, response) => void response.json(found(orders.look(idOf(params)))));
    app.post('/orders/:id/approve', ({ params }, response) => void response.json(found(orders.approve(idOf(params)))));
    app.post('/orders/:id/cancel', ({ params }, response) => void response.json(found(orders.cancel(idOf(params)))));
    app.get('/orders/:id/strike-off/:view', ({ params }, response) => {
      const view = string().oneOf(STRIKE_OFF_VIEWS).required().validateSync(params['view']);
      response.sendFile(found(orders.files.order(idOf(params)) && orders.files.picturePath(idOf(params), view)));
    });
    app.use(refuse);
    return app;
  }

  #uploads({ files, rules }: HouseOrders): RequestHandler {
    const server = new UploadServer({
      path: '/uploads',
      datastore: new FileStore({ directory: files.uploads }),
      maxSize: rules.mostBytes,
      relativeLocation: true,
      namingFunction: () => nanoid(16),
      getFileIdFromRequest: ({ url = '' }) => /([\w-]{16})\/?$/.exec(url)?.[1],
    });
    return (request, response) => {
      // It reads the whole path itself.
      request.url = request.originalUrl;
      return server.handle(request, response);
    };
  }

  #knowing(): RequestHandler {
    const expected = Buffer.from(`Bearer ${this.#key}`);
    return ({ headers: { authorization = '' } }, response, next) => {
      const said = Buffer.from(authorization);
      if (said.length === expected.length && timingSafeEqual(said, expected)) next();
      else response.status(401).json({ message: 'This key is not known here.' });
    };
  }

  /** What it was told to do wrong. */
  #behaving(): RequestHandler {
    return (request, response, next) => {
      const isPart = request.method === 'PATCH';
      const isLate = Number(request.headers['upload-offset'] ?? 0) > 0;
      if (this.#behaviour === 'closed' || (this.#behaviour === 'breaks' && isPart && isLate)) response.destroy();
      else if (this.#behaviour === 'slow' && isPart) setTimeout(next, SLOW_MS);
      else next();
    };
  }
}

class Unknown extends Error {}

function found<T>(thing: T | undefined): T {
  if (thing === undefined) throw new Unknown('There is no such order, upload or cloth here.');
  return thing;
}

function idOf(params: Readonly<Record<string, unknown>>): string {
  return string()
    .matches(/^[\w-]{1,64}$/)
    .required()
    .validateSync(params['id']);
}

const refuse: ErrorRequestHandler = (error: unknown, _request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const status = error instanceof Unknown ? 404 : error instanceof ValidationError ? 400 : 500;
  response
    .status(status)
    .json({ message: status === 500 ? 'Something went wrong here; try again.' : messageOf(error) });
};

/** Where the print house keeps its things. */
export const houseFolder = (data: string): string => join(data, 'print-house');
