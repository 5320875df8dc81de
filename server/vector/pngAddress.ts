/** A picture as an address that holds all of it. */
export const pngAddress = (content: Uint8Array): string =>
  `data:image/png;base64,${Buffer.from(content).toString('base64')}`;
