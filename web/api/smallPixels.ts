/** Along the longer side of a picture that is only looked at for its colours. */
const SIDE = 110;

/** The pixels of a picture, made small: RGBA, not premultiplied. @throws where it is none */
export async function smallPixels(file: Blob): Promise<Uint8ClampedArray> {
  const whole = await createImageBitmap(file);
  const scale = Math.min(1, SIDE / Math.max(whole.width, whole.height));
  const [width, height] = [whole.width, whole.height].map((side) => Math.max(1, Math.round(side * scale))) as [
    number,
    number,
  ];
  const sheet = new OffscreenCanvas(width, height);
  const context = sheet.getContext('2d');
  if (!context) throw new Error('this browser gives no 2D canvas');
  context.drawImage(whole, 0, 0, width, height);
  whole.close();
  return context.getImageData(0, 0, width, height).data;
}
