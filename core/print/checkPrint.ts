import { RASTER_FORMATS, type RasterFormatName } from '../export/index.ts';
import { formatLength, formatNumber, type LengthUnit } from '../units/index.ts';
import type { PrintCloth } from './printCloth.ts';
import type { PrintRules } from './printRules.ts';

/** What is known of something that is to be printed. */
export interface PrintFacts {
  readonly format: RasterFormatName;
  readonly dpi: number;
  /** What repeats on the cloth, mm. */
  readonly tile: { readonly width: number; readonly height: number };
  /** Ordered. */
  readonly metres: number;
  /** Of the file, once there is one. */
  readonly bytes?: number;
  /** Whether the cloth shows through, for want of a ground. */
  readonly isBare?: boolean;
}

/** Something that was found about an order. */
export interface PrintFinding {
  /** Whether it cannot be printed like this, may come out other than expected, or is good to know. */
  readonly grade: 'refusal' | 'warning' | 'note';
  readonly text: string;
}

type PrintCheck = (
  facts: PrintFacts,
  rules: PrintRules,
  cloth: PrintCloth,
  unit: LengthUnit,
) => PrintFinding | undefined;

const refusal = (text: string): PrintFinding => ({ grade: 'refusal', text });

/** “PNG, TIFF and JPEG” */
function listed(names: readonly string[]): string {
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

const CHECKS: readonly PrintCheck[] = [
  function format({ format }, { formats, name }) {
    if (formats.includes(format)) return undefined;
    const taken = listed(formats.map((taken) => RASTER_FORMATS[taken].name));
    return refusal(`${name} takes ${taken}, not ${RASTER_FORMATS[format].name}. Choose one of those.`);
  },
  function density({ dpi }, { leastDpi, mostDpi, name }) {
    // Whole pixels make a density of 150 one of 149.998.
    if (dpi >= leastDpi - 0.5 && dpi <= mostDpi + 0.5) return undefined;
    return refusal(
      `${formatNumber(dpi, 0)} dpi is ${dpi < leastDpi ? 'too coarse' : 'finer than it can print'}: ${name} prints at ${leastDpi} to ${mostDpi} dpi. Choose ${dpi < leastDpi ? leastDpi : mostDpi}.`,
    );
  },
  function bytes({ bytes }, { mostBytes, name }) {
    if (bytes === undefined || bytes <= mostBytes) return undefined;
    return refusal(
      `The file is ${megabytes(bytes)} MB; ${name} takes at most ${megabytes(mostBytes)} MB. Choose a lower density or JPEG.`,
    );
  },
  function leastRepeat({ tile }, _rules, { name, leastRepeat }, unit) {
    const shorter = Math.min(tile.width, tile.height);
    if (shorter >= leastRepeat) return undefined;
    return refusal(
      `The repeat is ${formatLength(shorter, unit)} along its shorter side; ${name} needs at least ${formatLength(leastRepeat, unit)}. Choose a finer cloth, or make the repeat larger.`,
    );
  },
  function leastOrder({ metres }, { name: house, mostOrder }, { name, leastOrder }) {
    if (metres < leastOrder)
      return refusal(
        `${name} is sold from ${metresOf(leastOrder)}. Order at least that much, or choose another cloth.`,
      );
    if (metres > mostOrder)
      return refusal(`${house} prints at most ${metresOf(mostOrder)} at once. Order it in several parts.`);
    return undefined;
  },
  function width({ tile }, _rules, { name, width }, unit) {
    if (tile.width <= width) {
      const across = Math.floor(width / tile.width + 1e-9);
      const left = width - across * tile.width;
      const repeats = across === 1 ? '1 repeat fits' : `${across} repeats fit`;
      return {
        grade: 'note',
        text:
          left < 0.5
            ? `${repeats} exactly across ${formatLength(width, unit)}, so lengths can be joined at the selvedges.`
            : `${repeats} across ${formatLength(width, unit)}, and ${formatLength(left, unit)} are left over: joined lengths have to overlap or be trimmed.`,
      };
    }
    return {
      grade: 'warning',
      text: `The repeat is ${formatLength(tile.width, unit)} wide and ${name} only ${formatLength(width, unit)}: its right side will be missing.`,
    };
  },
  function bare({ isBare }, _rules, { name }) {
    if (!isBare) return undefined;
    return { grade: 'note', text: `There is no ground, so ${name} shows in its own colour between the motifs.` };
  },
];

/**
 * Holds an order against the rules of a print house.
 *
 * @param unit what lengths are said in
 * @returns what was found, the worst first
 */
export function checkPrint(
  facts: PrintFacts,
  rules: PrintRules,
  cloth: PrintCloth,
  unit: LengthUnit = 'mm',
): readonly PrintFinding[] {
  const grades = ['refusal', 'warning', 'note'];
  return CHECKS.flatMap((check) => check(facts, rules, cloth, unit) ?? []).sort(
    (a, b) => grades.indexOf(a.grade) - grades.indexOf(b.grade),
  );
}

function megabytes(bytes: number): string {
  return formatNumber(bytes / 1024 / 1024, 1);
}

function metresOf(metres: number): string {
  return metres === 1 ? '1 metre' : `${formatNumber(metres, 1)} metres`;
}
