import { channels, type Hex } from './hex.ts';

/** Ways of seeing a cloth that tell its colours apart less well. */
export const VISIONS = ['grey', 'protanopia', 'deuteranopia', 'tritanopia'] as const;
export type Vision = (typeof VISIONS)[number];

/** Rows of red, green and blue. */
type Matrix3 = readonly [number, number, number, number, number, number, number, number, number];

/**
 * What each makes of linear light: luminance (IEC 61966-2-1), and the three dichromacies at full severity (Machado,
 * Oliveira and Fernandes, 2009).
 */
export const VISION_MATRICES: { readonly [K in Vision]: Matrix3 } = {
  grey: [0.2126, 0.7152, 0.0722, 0.2126, 0.7152, 0.0722, 0.2126, 0.7152, 0.0722],
  protanopia: [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
  deuteranopia: [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
  tritanopia: [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039],
};

const toLinear = (channel: number): number => {
  const share = channel / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
};
const fromLinear = (light: number): number => {
  const share = light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055;
  return Math.round(255 * Math.min(1, Math.max(0, share)));
};

/** Luminance from which on black letters have more contrast than white ones (WCAG 2.2, contrast ratio). */
const HALF_CONTRAST = Math.sqrt(1.05 * 0.05) - 0.05;

/** Black or white, whichever is read more easily on a colour; its contrast ratio is 4.5 at the least. */
export function lettersOn(hex: Hex): Hex {
  const [r, g, b] = channels(hex).map(toLinear) as [number, number, number];
  const luminance = 0.2126 * r + 0.7152 * g + 0.0722 * b;
  return luminance > HALF_CONTRAST ? '#000000' : '#ffffff';
}

/** A colour as it is seen in a way. */
export function seenAs(hex: Hex, vision: Vision): Hex {
  const [r, g, b] = channels(hex).map(toLinear) as [number, number, number];
  const m = VISION_MATRICES[vision];
  const rows = [0, 3, 6].map((at) => (m[at] as number) * r + (m[at + 1] as number) * g + (m[at + 2] as number) * b);
  return `#${rows.map((light) => fromLinear(light).toString(16).padStart(2, '0')).join('')}`;
}
