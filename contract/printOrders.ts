import { array, boolean, number, string, type InferType } from 'yup';
import { RASTER_FORMAT_NAMES } from '../core/export/index.ts';
import { HOUSE_BEHAVIOURS, printClothSchema, printRulesSchema } from '../core/print/index.ts';
import { addressSchema, between, idSchema, type Immutable, nameSchema, whole } from '../core/schema/index.ts';
import { exactly, route } from './route.ts';

export const PRINT_STATES = [
  'making',
  'sending',
  /** The connection broke, or the file could not be made; it can be resumed. */
  'interrupted',
  /** The print house has it and prints a sample. */
  'sent',
  /** The strike-off is here and waits to be approved. */
  'answered',
  'approved',
  'dispatched',
  'refused',
  'cancelled',
] as const;
export type PrintState = (typeof PRINT_STATES)[number];

const wishFields = {
  swatch: idSchema,
  cloth: idSchema,
  metres: between(0.1, 1e5),
  format: string().oneOf(RASTER_FORMAT_NAMES).required(),
  dpi: between(10, 2400),
};

const printOrderSchema = exactly({
  ...wishFields,
  id: idSchema,
  version: whole(1, 1e6),
  /** Of the swatch, and a small picture of it, when it was ordered. */
  name: nameSchema,
  thumbnail: addressSchema,
  cloth: printClothSchema,
  state: string().oneOf(PRINT_STATES).required(),
  /** Why it was refused or interrupted. */
  message: string().nullable().defined(),
  /** Of making or sending the file, 0 to 1. */
  progress: between(0, 1),
  /** Of a metre and of all, pence; once the print house has told them. */
  price: number().integer().nullable().defined(),
  total: number().integer().nullable().defined(),
  /** Pictures of the strike-off: a piece at true size, and the whole width of the cloth. */
  piece: addressSchema.nullable().defined(),
  across: addressSchema.nullable().defined(),
  orderedAt: string().required(),
});
/** A swatch that was sent to the print house. */
export type PrintOrder = Immutable<InferType<typeof printOrderSchema>>;

const byId = exactly({ id: idSchema });

export const readPrintHouse = route({
  method: 'GET',
  path: '/print-house',
  summary: 'What the print house takes, and how the simulated one was told to behave.',
  answer: exactly({
    /** Nothing while it cannot be reached. */
    rules: printRulesSchema.nullable().default(undefined).defined(),
    behaviour: string().oneOf(HOUSE_BEHAVIOURS).required(),
  }),
  problems: [],
});

export const tellPrintHouse = route({
  method: 'PUT',
  path: '/print-house/behaviour',
  summary: 'Tells the simulated print house to be slow, to break uploads off, to refuse orders, or to be closed.',
  body: exactly({ behaviour: string().oneOf(HOUSE_BEHAVIOURS).required() }),
  problems: [],
});

export const listPrintOrders = route({
  method: 'GET',
  path: '/print-orders',
  summary: 'Lists what was sent to the print house, the last first, with its states as the print house tells them now.',
  answer: exactly({
    orders: array(printOrderSchema).required(),
    /** Whether the print house answered; the states are the last known ones otherwise. */
    isReachable: boolean().required(),
  }),
  problems: [],
});

export const orderPrint = route({
  method: 'POST',
  path: '/print-orders',
  summary: 'Orders a print of a swatch: the file is checked, made and sent, and a strike-off comes back.',
  body: exactly({
    ...wishFields,
    /** The newest where missing. */
    version: whole(1, 1e6).optional(),
  }),
  answer: printOrderSchema,
  status: 201,
  problems: [404, 422, 502],
});

export const resumePrint = route({
  method: 'POST',
  path: '/print-orders/{id}/resume',
  summary: 'Goes on with an interrupted order where it broke off.',
  params: byId,
  answer: printOrderSchema,
  problems: [404, 409],
});

export const approvePrint = route({
  method: 'POST',
  path: '/print-orders/{id}/approve',
  summary: 'Approves a strike-off, so that the length is printed.',
  params: byId,
  answer: printOrderSchema,
  problems: [404, 409, 502],
});

export const cancelPrint = route({
  method: 'POST',
  path: '/print-orders/{id}/cancel',
  summary: 'Cancels an order that was not approved yet.',
  params: byId,
  answer: printOrderSchema,
  problems: [404, 409, 502],
});
