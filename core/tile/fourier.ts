import FFT from 'fft.js';

/**
 * Discrete Fourier transforms of one length, of interleaved real and imaginary parts, in place. Lengths that are no powers of two go by Bluestein's
 * method: a chirp turns the transform into a convolution, for which any length will do.
 */
export class Fourier {
  readonly #fft: FFT;
  /** e^(−πi·n²/N) where the length is no power of two. */
  readonly #chirp: Float64Array | undefined;
  /** The transform of the chirp's conjugate, laid round the longer length. */
  readonly #kernel: Float64Array | undefined;
  readonly #long: Float64Array;
  readonly #spectrum: Float64Array;

  /** @param length at least 1 */
  constructor(readonly length: number) {
    const isPower = length > 1 && (length & (length - 1)) === 0;
    const size = isPower ? length : 2 ** Math.ceil(Math.log2(Math.max(2, 2 * length - 1)));
    this.#fft = new FFT(size);
    this.#long = new Float64Array(2 * size);
    this.#spectrum = new Float64Array(2 * size);
    if (isPower) return;
    const chirp = new Float64Array(2 * length);
    const kernel = new Float64Array(2 * size);
    for (let n = 0; n < length; n += 1) {
      // n² is taken modulo 2N, so that the angle stays exact for long transforms.
      const angle = (-Math.PI * ((n * n) % (2 * length))) / length;
      const [re, im] = [Math.cos(angle), Math.sin(angle)];
      chirp[2 * n] = re;
      chirp[2 * n + 1] = im;
      for (const at of n === 0 ? [0] : [n, size - n]) {
        kernel[2 * at] = re;
        kernel[2 * at + 1] = -im;
      }
    }
    this.#chirp = chirp;
    this.#kernel = new Float64Array(2 * size);
    this.#fft.transform(this.#kernel, kernel);
  }

  /** Σ x(n)·e^(−2πi·kn/N). */
  forward(data: Float64Array): void {
    const [chirp, kernel, long, spectrum] = [this.#chirp, this.#kernel, this.#long, this.#spectrum];
    if (!chirp || !kernel) {
      long.set(data);
      this.#fft.transform(spectrum, long);
      data.set(spectrum);
      return;
    }
    long.fill(0);
    multiply(long, data, chirp, this.length);
    this.#fft.transform(spectrum, long);
    multiply(spectrum, spectrum, kernel, kernel.length / 2);
    this.#fft.inverseTransform(long, spectrum);
    multiply(data, long, chirp, this.length);
  }

  /** The inverse, divided by the length. */
  inverse(data: Float64Array): void {
    // The inverse is the conjugate of the transform of the conjugate.
    for (let n = 1; n < data.length; n += 2) data[n] = -(data[n] as number);
    this.forward(data);
    for (let n = 0; n < data.length; n += 2) {
      data[n] = (data[n] as number) / this.length;
      data[n + 1] = -(data[n + 1] as number) / this.length;
    }
  }
}

/** to = a·b of so many complex numbers; `to` may be either of them. */
function multiply(to: Float64Array, a: Float64Array, b: Float64Array, count: number): void {
  for (let n = 0; n < 2 * count; n += 2) {
    const [ar, ai, br, bi] = [a[n], a[n + 1], b[n], b[n + 1]] as [number, number, number, number];
    to[n] = ar * br - ai * bi;
    to[n + 1] = ar * bi + ai * br;
  }
}
