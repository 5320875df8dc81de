/** What server and browser say to each other: each route once. */
import * as backups from './backups.ts';
import * as designs from './designs.ts';
import * as exports from './exports.ts';
import * as fonts from './fonts.ts';
import * as jobs from './jobs.ts';
import * as motifs from './motifs.ts';
import * as packs from './packs.ts';
import * as plates from './plates.ts';
import * as printOrders from './printOrders.ts';
import type { Route } from './route.ts';
import * as scans from './scans.ts';
import * as seams from './seams.ts';
import * as sheets from './sheets.ts';
import * as shelves from './shelves.ts';
import * as swatches from './swatches.ts';
import * as tryOns from './tryOns.ts';

export * from './backups.ts';
export * from './designs.ts';
export * from './exports.ts';
export * from './fonts.ts';
export * from './jobs.ts';
export * from './motifs.ts';
export * from './packs.ts';
export * from './plates.ts';
export * from './printOrders.ts';
export * from './route.ts';
export * from './scans.ts';
export * from './seams.ts';
export * from './sheets.ts';
export * from './shelves.ts';
export * from './swatches.ts';
export * from './tryOns.ts';

const isRoute = (value: unknown): value is Route =>
  typeof value === 'object' && value !== null && 'path' in value && 'method' in value;

/** Every route by its name. */
export const ROUTES: Readonly<Record<string, Route>> = Object.fromEntries(
  [
    designs,
    motifs,
    fonts,
    scans,
    seams,
    swatches,
    exports,
    packs,
    sheets,
    shelves,
    plates,
    printOrders,
    tryOns,
    jobs,
    backups,
  ]
    .flatMap((module) => Object.entries(module))
    .filter((entry): entry is [string, Route] => isRoute(entry[1])),
);
