import { clampChroma, formatHex, formatRgb, parse } from 'culori';

/** What the reader knows by itself, and what is no colour. */
const KNOWN = /^(?:#|rgba?\(|hsla?\(|none$|inherit$|currentcolor$|url\(|context-|transparent$)/i;

/**
 * A colour by its name, or as only newer programs write it (oklch(), lab(), color(), hwb()), in hex, brought into sRGB by taking
 * chroma away. What readers know, or is no colour, stays as it is.
 */
export function settledColour(value: string): string {
  const text = value.trim();
  if (KNOWN.test(text)) return text;
  const colour = parse(text);
  if (!colour) return text;
  const shown = clampChroma(colour, 'oklch');
  return (shown.alpha ?? 1) < 1 ? formatRgb(shown) : formatHex(shown);
}
