import { type PDFContext, type PDFDict, PDFName, type PDFObject, type PDFRef } from 'pdf-lib';
import type { Box, Matrix } from '../../core/geometry/index.ts';
import { tracePath, type PathText } from '../../core/motif/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';

/** PDF measures in points. */
export const POINTS_PER_MM = 72 / MM_PER_INCH;

/** A number of eight digits, which is finer than any printer's dot; PDF knows no exponents. */
export function pdfNumber(n: number): string {
  const text = n.toPrecision(8);
  return (text.includes('e') ? n.toFixed(12) : text).replace(/(\.\d*?)0+$/, '$1').replace(/\.$/, '');
}

export function pdfNumbers(numbers: readonly number[]): string {
  return numbers.map(pdfNumber).join(' ');
}

const RESOURCES = { XObject: 'X', ExtGState: 'G', Pattern: 'P', Shading: 'S', ColorSpace: 'C' } as const;
type ResourceKind = keyof typeof RESOURCES;

/** The operators of a page or a form (ISO 32000-1, annex A), and the resources that they name. */
export class PdfContent {
  readonly #operators: string[] = [];
  readonly #resources = new Map<ResourceKind, Map<PDFObject, string>>();

  constructor(readonly context: PDFContext) {}

  add(...operators: readonly string[]): void {
    this.#operators.push(...operators);
  }

  /** The name under which a resource is used here. */
  nameOf(kind: ResourceKind, resource: PDFObject): string {
    let named = this.#resources.get(kind);
    if (!named) this.#resources.set(kind, (named = new Map()));
    let name = named.get(resource);
    if (name === undefined) named.set(resource, (name = `${RESOURCES[kind]}${named.size + 1}`));
    return name;
  }

  transform(matrix: Matrix): void {
    if (matrix.some((n, i) => n !== [1, 0, 0, 1, 0, 0][i])) this.add(`${pdfNumbers(matrix)} cm`);
  }

  path(text: PathText, matrix?: Matrix): void {
    let [x, y] = [0, 0];
    const at = (px: number, py: number): string =>
      matrix
        ? pdfNumbers([matrix[0] * px + matrix[2] * py + matrix[4], matrix[1] * px + matrix[3] * py + matrix[5]])
        : pdfNumbers([px, py]);
    const to = (px: number, py: number): void => void ([x, y] = [px, py]);
    const cubic = (a: number, b: number, c: number, d: number, e: number, f: number): void => {
      this.add(`${at(a, b)} ${at(c, d)} ${at(e, f)} c`);
      to(e, f);
    };
    tracePath(text, {
      moveTo: (px, py) => {
        this.add(`${at(px, py)} m`);
        to(px, py);
      },
      lineTo: (px, py) => {
        this.add(`${at(px, py)} l`);
        to(px, py);
      },
      // A quadratic is the cubic whose controls lie two thirds of the way to its own.
      quadraticCurveTo: (cx, cy, px, py) =>
        cubic(
          x + (2 / 3) * (cx - x),
          y + (2 / 3) * (cy - y),
          px + (2 / 3) * (cx - px),
          py + (2 / 3) * (cy - py),
          px,
          py,
        ),
      bezierCurveTo: cubic,
      closePath: () => this.add('h'),
    });
  }

  box({ left, top, right, bottom }: Box): void {
    this.add(`${pdfNumbers([left, top, right - left, bottom - top])} re`);
  }

  get text(): string {
    return this.#operators.join('\n');
  }

  resources(): PDFDict {
    const dict = this.context.obj({});
    for (const [kind, named] of this.#resources) {
      const entries = this.context.obj({});
      for (const [resource, name] of named) entries.set(PDFName.of(name), resource);
      dict.set(PDFName.of(kind), entries);
    }
    return dict;
  }

  /** What was drawn as a form, to be drawn wherever it is named; as a transparency group, it is laid down as one. */
  asForm(box: Box, group: 'group' | 'plain'): PDFRef {
    const { left, top, right, bottom } = box;
    return this.context.register(
      this.context.flateStream(this.text, {
        Type: 'XObject',
        Subtype: 'Form',
        BBox: [left, top, right, bottom],
        Resources: this.resources(),
        ...(group === 'group' && { Group: { S: 'Transparency', CS: 'DeviceRGB', I: true } }),
      }),
    );
  }
}
