import type { ReactElement } from 'react';
import { PAPERS } from '../../../core/units/index.ts';
import { TEXTS } from './texts.ts';

/** Something whose size everybody knows, to be laid on the cloth. */
export interface KnownThing {
  readonly name: string;
  /** mm; of what is measured in pixels, on a tile of so many mm that is printed on so many pixels. */
  readonly size: (tileWidth: number) => { readonly width: number; readonly height: number };
  /** Drawn in a box of its size. */
  readonly draw: () => ReactElement;
}

/** Pixels of a game's character, and of the texture that it stands on. */
const [CHARACTER_PX, TEXTURE_PX] = [64, 512];

const LINE = {
  fill: '#ffffff',
  fillOpacity: 0.82,
  stroke: '#1f2430',
  strokeWidth: 2,
  vectorEffect: 'non-scaling-stroke',
} as const;

function sheet(width: number, height: number): () => ReactElement {
  return () => (
    <svg viewBox={`0 0 ${width} ${height}`} className="h-full w-full">
      <rect x="1" y="1" width={width - 2} height={height - 2} {...LINE} />
    </svg>
  );
}

export const KNOWN_THINGS = {
  hand: {
    name: TEXTS.hand,
    size: () => ({ width: 105, height: 190 }),
    draw: () => (
      <svg viewBox="0 0 105 190" className="h-full w-full">
        <path
          {...LINE}
          d="M30 188 C24 165 22 150 18 134 C14 118 6 104 2 92 C0 84 9 80 14 87 L28 108 L24 40 C23 28 38 27 39 39 L43 84 L44 15 C44 2 60 2 60 15 L60 84 L68 24 C70 12 85 14 84 26 L77 90 L88 52 C91 42 103 45 101 56 C96 88 94 108 90 128 C86 148 84 165 84 188 Z"
        />
      </svg>
    ),
  },
  a4: { name: 'A4', size: () => PAPERS.a4, draw: sheet(PAPERS.a4.width, PAPERS.a4.height) },
  letter: { name: 'Letter', size: () => PAPERS.letter, draw: sheet(PAPERS.letter.width, PAPERS.letter.height) },
  chair: {
    name: TEXTS.chair,
    size: () => ({ width: 450, height: 850 }),
    draw: () => (
      <svg viewBox="0 0 450 850" className="h-full w-full">
        <path {...LINE} d="M60 20 C130 0 320 0 390 20 L400 400 C300 385 150 385 50 400 Z" />
        <path {...LINE} d="M30 400 H420 L440 470 H10 Z" />
        <path {...LINE} d="M40 470 L60 470 L48 848 L26 848 Z M390 470 L410 470 L424 848 L402 848 Z" />
        <path {...LINE} d="M105 470 L122 470 L116 760 L100 760 Z M328 470 L345 470 L350 760 L334 760 Z" />
      </svg>
    ),
  },
  character: {
    name: TEXTS.character(CHARACTER_PX, TEXTURE_PX),
    size: (tileWidth: number) => {
      const height = (CHARACTER_PX * tileWidth) / TEXTURE_PX;
      return { width: height / 2, height };
    },
    // On whole pixels of its own 32 by 64.
    draw: () => (
      <svg viewBox="0 0 32 64" className="h-full w-full" shapeRendering="crispEdges">
        <path
          fill="#1f2430"
          d="M10 2h12v2h2v2h2v12h-2v2h-2v2h6v4h2v14h-4v-8h-2v12h2v18h-8v-16h-4v16H6V44h2V32H6v8H2V26h2v-4h6v-2H8v-2H6V6h2V4h2z"
        />
        <path fill="#f2eee4" d="M10 6h12v10h-2v2h-8v-2h-2z" />
        <path fill="#b3402e" d="M10 24h12v14H10z" />
        <path fill="#1f2430" d="M12 9h2v4h-2zM18 9h2v4h-2z" />
      </svg>
    ),
  },
} as const satisfies Readonly<Record<string, KnownThing>>;

export type KnownThingName = keyof typeof KNOWN_THINGS;
