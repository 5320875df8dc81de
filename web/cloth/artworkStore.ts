import { type Artwork, type DrawnMotif, type Motif, picturesOf } from '../../core/motif/index.ts';
import type { CanvasBackend, Picture } from '../../core/paint/index.ts';
import { browserBackend, browserPicture } from './browserBackend.ts';

/** Artwork and pictures that were fetched, and an backend that has them at hand. On the page and in the worker alike. */
export class ArtworkStore {
  readonly #artworks = new Map<string, Promise<Artwork>>();
  readonly #pictures = new Map<string, Picture>();
  readonly backend: CanvasBackend = browserBackend(this.#pictures);

  /** The motif with its artwork, its pictures decoded. */
  async fetch(motif: Motif): Promise<DrawnMotif> {
    let artwork = this.#artworks.get(motif.artwork);
    if (!artwork) {
      artwork = this.#load(motif.artwork);
      this.#artworks.set(motif.artwork, artwork);
      artwork.catch(() => this.#artworks.delete(motif.artwork));
    }
    return { motif, artwork: await artwork };
  }

  async #load(address: string): Promise<Artwork> {
    const artwork = (await (await fetchBlob(address)).json()) as Artwork;
    await this.fetchPictures(artwork);
    return artwork;
  }

  /** Has an artwork's pictures decoded, for the backend to find them. */
  async fetchPictures(artwork: Artwork): Promise<void> {
    await Promise.all(
      picturesOf(artwork).map(async (blob) => {
        if (this.#pictures.has(blob)) return;
        this.#pictures.set(blob, await browserPicture(await (await fetchBlob(blob)).blob()));
      }),
    );
  }
}

async function fetchBlob(address: string): Promise<Response> {
  const response = await fetch(`/api/blobs/${address}`);
  if (!response.ok) throw new Error(`the file ${address} is missing (${response.status})`);
  return response;
}
