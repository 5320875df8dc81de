import { colourDifference, type Hex } from '../colour/index.ts';
import type { Artwork, ArtworkNode, Paint } from './artwork.ts';

/**
 * Which ink each ink becomes when those no farther apart than `within` (CIEDE2000) are one. The first of a group
 * stands for it; an ink joins the nearest group that stands.
 */
export function groupInks(inks: readonly Hex[], within: number): Map<Hex, Hex> {
  const standing: Hex[] = [];
  const merged = new Map<Hex, Hex>();
  for (const ink of inks) {
    let nearest: Hex | undefined;
    let least = within;
    for (const other of standing) {
      const apart = colourDifference(ink, other);
      if (apart > least || (apart === least && nearest)) continue;
      least = apart;
      nearest = other;
    }
    if (!nearest) standing.push(ink);
    merged.set(ink, nearest ?? ink);
  }
  return merged;
}

/** The artwork with its inks exchanged; an ink not named stays. */
export function recolourArtwork(artwork: Artwork, inks: ReadonlyMap<Hex, Hex>): Artwork {
  const exchange = (ink: Hex): Hex => inks.get(ink) ?? ink;
  const paint = (paint: Paint): Paint =>
    paint.kind === 'ink'
      ? { ...paint, ink: exchange(paint.ink) }
      : { ...paint, stops: paint.stops.map((stop) => ({ ...stop, ink: exchange(stop.ink) })) };
  const node = (one: ArtworkNode): ArtworkNode => {
    if (one.kind === 'group') return { ...one, children: one.children.map(node) };
    if (one.kind === 'picture')
      return one.palette
        ? { ...one, palette: one.palette.map((entry) => ({ ...entry, ink: exchange(entry.ink) })) }
        : one;
    return {
      ...one,
      ...(one.fill && { fill: paint(one.fill) }),
      ...(one.stroke && { stroke: { ...one.stroke, paint: paint(one.stroke.paint) } }),
    };
  };
  return { ...artwork, nodes: artwork.nodes.map(node) };
}

/** The artwork with its pictures taken for mixtures of these colours; each entry is an ink. */
export function withPalette(artwork: Artwork, palette: readonly Hex[] | undefined): Artwork {
  const entries = palette?.map((colour) => ({ colour, ink: colour }));
  const node = (one: ArtworkNode): ArtworkNode => {
    if (one.kind === 'group') return { ...one, children: one.children.map(node) };
    return one.kind === 'picture' ? { ...one, palette: entries } : one;
  };
  return { ...artwork, nodes: artwork.nodes.map(node) };
}
