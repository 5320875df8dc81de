const MOST_COLOURS = 256;

/** All colours of a picture, and the number of each. */
export interface FoundPalette {
  /** Four bytes each, RGBA. */
  readonly colours: readonly number[];
  readonly indexOf: ReadonlyMap<number, number>;
}

/** Finds the colours of a picture band by band, until there are more than a palette holds. */
export class PaletteFinder {
  readonly #found = new Set<number>();
  #last = -1;

  constructor(readonly channels: 3 | 4) {}

  /** Looks at some more of the picture. @returns whether a palette still holds all colours */
  add(data: Uint8Array): boolean {
    if (this.#found.size > MOST_COLOURS) return false;
    for (let i = 0; i < data.length; i += this.channels) {
      const colour = colourAt(data, i, this.channels);
      if (colour === this.#last) continue;
      this.#last = colour;
      this.#found.add(colour);
      if (this.#found.size > MOST_COLOURS) return false;
    }
    return true;
  }

  /** All colours that were there, where a palette holds them. */
  palette(): FoundPalette | undefined {
    if (this.#found.size > MOST_COLOURS) return undefined;
    const sorted = [...this.#found].sort((a, b) => a - b);
    return {
      colours: sorted.flatMap((colour) => [colour >>> 24, (colour >>> 16) & 255, (colour >>> 8) & 255, colour & 255]),
      indexOf: new Map(sorted.map((colour, i) => [colour, i])),
    };
  }
}

/** Pixels as numbers of a palette's colours, one byte each. */
export function toIndices(data: Uint8Array, channels: 3 | 4, { indexOf }: FoundPalette): Uint8Array {
  const out = new Uint8Array(data.length / channels);
  for (let i = 0, o = 0; i < data.length; i += channels, o += 1)
    out[o] = indexOf.get(colourAt(data, i, channels)) as number;
  return out;
}

function colourAt(data: Uint8Array, i: number, channels: 3 | 4): number {
  const alpha = channels === 4 ? (data[i + 3] as number) : 255;
  return (((data[i] as number) << 24) | ((data[i + 1] as number) << 16) | ((data[i + 2] as number) << 8) | alpha) >>> 0;
}
