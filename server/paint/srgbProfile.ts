import sharp from 'sharp';

let profile: Promise<Buffer> | undefined;

/** The ICC profile of sRGB. */
export function srgbProfile(): Promise<Buffer> {
  profile ??= read();
  return profile;
}

async function read(): Promise<Buffer> {
  const dot = await sharp({ create: { width: 1, height: 1, channels: 3, background: '#000' } })
    .withIccProfile('srgb')
    .png()
    .toBuffer();
  const { icc } = await sharp(dot).metadata();
  if (!icc) throw new Error('the profile of sRGB is not there');
  return icc;
}
