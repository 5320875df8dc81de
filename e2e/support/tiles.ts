import { OWN_HEADER, type StoredDesign } from '../../contract/index.ts';
import { By, until } from 'selenium-webdriver';
import { beforeAll } from 'vitest';
import type { Hex } from '../../core/colour/index.ts';
import { type Design, newDesign, newPlacement, type Placement } from '../../core/document/index.ts';
import type { Step } from '../../core/lattice/index.ts';
import { importMotif } from '../../server/motifs/importMotif.ts';
import { sourceFileOf } from '../../server/testing/sourceFileOf.ts';
import { alike, cellOnScreen, settledShot, waitUntilSaved, type Shot, type Spot } from './hands.ts';
import { useStudio, type Studio } from './studio.ts';

export const PINK = [0xc0, 0x20, 0x6a] as const;
const PINK_HEX = '#c0206a';
export const GROUND = [0xf2, 0xee, 0xe4] as const;

/** A flat pink tile, 40 × 20 mm: where it lies can be read off the screen. */
const tileOf = (colour: Hex): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="40mm" height="20mm" viewBox="0 0 40 20"><rect width="40" height="20" fill="${colour}"/></svg>`;

/** A Hevrel and a browser, with designs made of pink tiles. */
export interface Tiles {
  readonly page: Studio;
  /** The motif of a tile in another colour. */
  motifOf(colour: Hex): Promise<string>;
  /** Opens a design with tiles at the given places, t0, t1 and so on; says its id. */
  open(
    step: Step,
    places: readonly Partial<Placement>[],
    rest?: {
      readonly size?: { width: number; height: number };
      readonly ground?: Hex;
      readonly design?: Partial<Design>;
    },
  ): Promise<string>;
  /** The design as it is stored, once everything is saved. */
  stored(id: string): Promise<Design>;
  /** Where a place of the cell is on screen. */
  spot(x: number, y: number): Promise<Spot>;
  /** Does something to a design as another window elsewhere would. */
  elsewhere(id: string, revision: number, commands: readonly unknown[]): Promise<void>;
}

/** Opens a studio with tiles before a file's tests and closes it after them. */
export function useTiles(): Tiles {
  const page = useStudio();
  let motif: string;
  beforeAll(async () => {
    motif = await motifOf(PINK_HEX);
  });
  const motifOf = async (colour: Hex): Promise<string> =>
    (
      await importMotif(
        page.hevrel.serving.studio,
        colour === PINK_HEX ? 'tile.svg' : `tile ${colour.slice(1)}.svg`,
        await sourceFileOf(page.hevrel.serving.studio, Buffer.from(tileOf(colour))),
        'Test',
      )
    ).motif.id;
  const call = (method: string, path: string, body: unknown): Promise<Response> =>
    fetch(`${page.hevrel.url}/api${path}`, {
      method,
      headers: { ...OWN_HEADER, 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  return {
    page,
    motifOf,
    async open(step, places, { size = { width: 120, height: 90 }, ground = '#f2eee4', design: rest = {} } = {}) {
      const blank = newDesign('x', 'Tiles', { ...size, step });
      const document: Design = {
        ...blank,
        inks: [...blank.inks, { id: 'pink', name: 'Pink', prints: ['#c0206a'] }],
        colourways: [{ id: 'base', name: 'Base', colours: { ground, pink: '#c0206a' } }],
        placements: places.map((place, i) => ({ ...newPlacement(`t${i}`, { id: motif }, { x: 60, y: 45 }), ...place })),
        ...rest,
      };
      const { design } = (await (await call('POST', '/designs', { name: 'Tiles', document })).json()) as StoredDesign;
      await page.goTo(`/designs/${design.id}`);
      await page.driver.wait(until.elementLocated(By.css('[data-cell]')));
      await settledShot(page.driver);
      return design.id;
    },
    async stored(id) {
      await waitUntilSaved(page.driver);
      return ((await (await fetch(`${page.hevrel.url}/api/designs/${id}`)).json()) as StoredDesign).design;
    },
    async spot(x, y) {
      const { left, top, scale } = await cellOnScreen(page.driver);
      return { x: left + x * scale, y: top + y * scale };
    },
    async elsewhere(id, revision, commands) {
      const answer = await call('PATCH', `/designs/${id}`, {
        save: `elsewhere-${revision}-${Date.now()}`,
        revision,
        commands,
      });
      if (!answer.ok) throw new Error(await answer.text());
    },
  };
}

export function isPink(screen: Shot, at: Spot): boolean {
  return alike(screen.at(at.x, at.y), PINK);
}
