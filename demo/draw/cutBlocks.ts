import { writeFileSync } from 'node:fs';
import { LOW_TIDE } from '../collection.ts';
import type { Block } from './block.ts';
import { barnacle } from './motifs/barnacle.ts';
import { bubbles } from './motifs/bubbles.ts';
import { buoy } from './motifs/buoy.ts';
import { crab } from './motifs/crab.ts';
import { feather } from './motifs/feather.ts';
import { herring } from './motifs/herring.ts';
import { kelp } from './motifs/kelp.ts';
import { limpet } from './motifs/limpet.ts';
import { mussel } from './motifs/mussel.ts';
import { bandedPebble, flatPebble } from './motifs/pebbles.ts';
import { periwinkle } from './motifs/periwinkle.ts';
import { reefKnot } from './motifs/reefKnot.ts';
import { sandDollar } from './motifs/sandDollar.ts';
import { scallop } from './motifs/scallop.ts';
import { starfish } from './motifs/starfish.ts';
import { urchin } from './motifs/urchin.ts';
import { whelk } from './motifs/whelk.ts';
import { wrack } from './motifs/wrack.ts';

const BLOCKS: Readonly<Record<string, () => Block>> = {
  whelk,
  crab,
  buoy,
  'reef-knot': reefKnot,
  kelp,
  herring,
  starfish,
  scallop,
  mussel,
  feather,
  urchin,
  wrack,
  'sand-dollar': sandDollar,
  limpet,
  periwinkle,
  'flat-pebble': flatPebble,
  'banded-pebble': bandedPebble,
  bubbles,
  barnacle,
};

// Cuts every block anew into demo/motifs: `npx tsx demo/draw/cutBlocks.ts`.
for (const { id, name, widthMm } of LOW_TIDE) {
  const cut = BLOCKS[id];
  if (!cut) throw new Error(`no block is drawn for ${id}`);
  writeFileSync(new URL(`../motifs/${id}.svg`, import.meta.url), cut().svg(name, widthMm));
}
