/** Full light in the linear 16-bit numbers that cloth is reckoned in. */
export const FULL = 65535;

/** sRGB, 0 to 255, as linear light, 0 to 65535 (IEC 61966-2-1). */
export const TO_LINEAR = Uint16Array.from({ length: 256 }, (_, value) => {
  const share = value / 255;
  return Math.round(FULL * (share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4));
});

/** Linear light, 0 to 65535, as sRGB, 0 to 255; every value of `TO_LINEAR` comes back as it was. */
export const TO_SRGB = Uint8Array.from({ length: FULL + 1 }, (_, value) => {
  const share = value / FULL;
  return Math.round(255 * (share <= 0.0031308 ? share * 12.92 : 1.055 * share ** (1 / 2.4) - 0.055));
});
