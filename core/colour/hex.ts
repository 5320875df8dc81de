import '../schema/index.ts';
import { mixed } from 'yup';

/** An opaque sRGB colour as six lower-case hex digits behind a hash. */
export type Hex = `#${string}`;

const SIX = /^#[0-9a-f]{6}$/;

/** Whether the text is a colour in the form that the document stores. */
export function isHex(text: unknown): text is Hex {
  return typeof text === 'string' && SIX.test(text);
}

/** `#RGB`, `RRGGBB` and the like in the stored form, or undefined where the text is no colour. */
export function readHex(text: string): Hex | undefined {
  const digits = text.trim().replace(/^#/, '').toLowerCase();
  const six = digits.length === 3 ? digits.replace(/./g, '$&$&') : digits;
  const hex = `#${six}`;
  return isHex(hex) ? hex : undefined;
}

/** The channels, 0 to 255. */
export function channels(hex: Hex): readonly [number, number, number] {
  const n = Number.parseInt(hex.slice(1), 16);
  return [n >> 16, (n >> 8) & 255, n & 255];
}

/** The colour with an alpha between 0 and 1, as a CSS colour. */
export function withAlpha(hex: Hex, alpha: number): string {
  if (alpha >= 1) return hex;
  const [r, g, b] = channels(hex);
  return `rgba(${r},${g},${b},${alpha})`;
}

/** A colour as documents hold it. */
export const hexSchema = mixed<Hex>(isHex)
  .required()
  .meta({ json: { type: 'string', pattern: SIX.source } });
