import { type PDFContext, PDFName, type PDFObject, type PDFRef } from 'pdf-lib';
import { channels, type Hex } from '../../core/colour/index.ts';
import type { Blend, InkResolver } from '../../core/document/index.ts';
import { type Box, compose, type Matrix } from '../../core/geometry/index.ts';
import type { GradientStop, LinearPaint, Paint, RadialPaint } from '../../core/motif/index.ts';
import { PdfContent, pdfNumbers } from './pdfContent.ts';

/** A dictionary in the making, as `PDFContext.obj` takes it. */
type LiteralDict = Readonly<Record<string, string | number | PDFRef | Readonly<Record<string, string | PDFRef>>>>;
type Gradient = LinearPaint | RadialPaint;

/** Farther than anything is drawn, in any artwork's units. */
const EVERYWHERE: Box = { left: -1e6, top: -1e6, right: 1e6, bottom: 1e6 };

/** The colours and states of one PDF, each made once. */
export class PdfPaints {
  readonly #states = new Map<string, PDFRef>();
  readonly #spots = new Map<Hex, PDFObject>();

  constructor(
    readonly context: PDFContext,
    /** Names of printed colours that are spot colours. */
    readonly spotNames: ReadonlyMap<Hex, string>,
  ) {}

  /** A graphics state of so much opacity and a blend mode; their names in PDF are those of CSS, in capitals. */
  state(opacity: number, blend: Blend = 'normal'): PDFRef {
    const mode = blend
      .split('-')
      .map((word) => `${word.charAt(0).toUpperCase()}${word.slice(1)}`)
      .join('');
    return this.#stateOf(`${opacity} ${mode}`, { ca: opacity, CA: opacity, BM: mode });
  }

  /** A state that hides what a form leaves black. */
  mask(form: PDFRef): PDFRef {
    return this.#stateOf(`mask ${form.toString()}`, { SMask: { S: 'Luminosity', G: form } });
  }

  #stateOf(key: string, entries: LiteralDict): PDFRef {
    let state = this.#states.get(key);
    if (!state)
      this.#states.set(key, (state = this.context.register(this.context.obj({ Type: 'ExtGState', ...entries }))));
    return state;
  }

  /** The operator that sets a flat colour. */
  colour(content: PdfContent, colour: Hex, part: 'fill' | 'stroke'): string {
    const name = this.spotNames.get(colour);
    if (name === undefined) return `${pdfNumbers(shares(colour))} ${part === 'fill' ? 'rg' : 'RG'}`;
    const space = content.nameOf('ColorSpace', this.#spot(colour, name));
    return part === 'fill' ? `/${space} cs 1 scn` : `/${space} CS 1 SCN`;
  }

  /** A separation of its own, shown as its colour where there is no such plate (ISO 32000-1, 8.6.6.4). */
  #spot(colour: Hex, name: string): PDFObject {
    let space = this.#spots.get(colour);
    if (!space) {
      const tint = { FunctionType: 2, Domain: [0, 1], C0: [1, 1, 1], C1: shares(colour), N: 1 };
      space = this.context.register(this.context.obj(['Separation', nameOf(name), 'DeviceRGB', tint]));
      this.#spots.set(colour, space);
    }
    return space;
  }

  /**
   * Sets a paint before a path is filled or stroked.
   *
   * @param within from the current space to that of the form that is drawn in, in which gradients are placed
   */
  set(content: PdfContent, paint: Paint, part: 'fill' | 'stroke', within: Matrix, resolve: InkResolver): void {
    if (paint.kind === 'ink') {
      if (paint.opacity < 1) content.add(`/${content.nameOf('ExtGState', this.state(paint.opacity))} gs`);
      content.add(this.colour(content, resolve(paint.ink), part));
      return;
    }
    const [first] = paint.stops;
    if (paint.stops.some(({ opacity }) => opacity !== first?.opacity))
      content.add(`/${content.nameOf('ExtGState', this.#fading(paint))} gs`);
    else if (first && first.opacity < 1) content.add(`/${content.nameOf('ExtGState', this.state(first.opacity))} gs`);
    const pattern = this.context.register(
      this.context.obj({
        Type: 'Pattern',
        PatternType: 2,
        Matrix: [...compose(within, paint.matrix)],
        Shading: this.#shading(paint, 'DeviceRGB', ({ ink }) => shares(resolve(ink))),
      }),
    );
    const name = content.nameOf('Pattern', pattern);
    content.add(part === 'fill' ? `/Pattern cs /${name} scn` : `/Pattern CS /${name} SCN`);
  }

  /** A mask that lets through as much as the gradient is opaque. */
  #fading(paint: Gradient): PDFRef {
    const content = new PdfContent(this.context);
    content.transform(paint.matrix);
    const shading = this.#shading(paint, 'DeviceGray', ({ opacity }) => [opacity]);
    content.add(`/${content.nameOf('Shading', shading)} sh`);
    const form = this.context.register(
      this.context.flateStream(content.text, {
        Type: 'XObject',
        Subtype: 'Form',
        BBox: [EVERYWHERE.left, EVERYWHERE.top, EVERYWHERE.right, EVERYWHERE.bottom],
        Resources: content.resources(),
        Group: { S: 'Transparency', CS: 'DeviceGray' },
      }),
    );
    return this.mask(form);
  }

  #shading(paint: Gradient, space: 'DeviceRGB' | 'DeviceGray', valueOf: (stop: GradientStop) => number[]): PDFRef {
    const shared = { ColorSpace: space, Extend: [true, true], Function: this.#ramp(paint.stops, valueOf) };
    return this.context.register(
      this.context.obj(
        paint.kind === 'linear'
          ? { ShadingType: 2, Coords: [...paint.from, ...paint.to], ...shared }
          : { ShadingType: 3, Coords: [...paint.focus, 0, ...paint.centre, paint.radius], ...shared },
      ),
    );
  }

  /** Stops as functions of one span each, stitched together (ISO 32000-1, 7.10.4). */
  #ramp(stops: readonly GradientStop[], valueOf: (stop: GradientStop) => number[]): PDFRef {
    const at = stops.map((stop) => ({ offset: stop.offset, value: valueOf(stop) }));
    const [first, last] = [at[0], at.at(-1)];
    if (!first || !last) throw new RangeError('a gradient needs a stop, got none');
    const all = [{ ...first, offset: 0 }, ...at, { ...last, offset: 1 }];
    const spans = all.slice(1).map((to, n) => ({ from: all[n] as typeof to, to }));
    // Two stops at one place are a hard edge: a span of no length says nothing.
    const wide = spans.filter(({ from, to }) => to.offset > from.offset);
    const span = ({ from, to }: (typeof spans)[number]) => ({
      FunctionType: 2,
      Domain: [0, 1],
      C0: from.value,
      C1: to.value,
      N: 1,
    });
    return this.context.register(
      this.context.obj({
        FunctionType: 3,
        Domain: [0, 1],
        Functions: wide.map(span),
        Bounds: wide.slice(0, -1).map(({ to }) => to.offset),
        Encode: wide.flatMap(() => [0, 1]),
      }),
    );
  }
}

function shares(colour: Hex): number[] {
  return channels(colour).map((channel) => channel / 255);
}

/** Any text as a PDF name: its bytes in UTF-8 (ISO 32000-1, 7.3.5). */
function nameOf(text: string): PDFName {
  return PDFName.of(Buffer.from(text, 'utf8').toString('latin1').replaceAll('#', '#23'));
}
