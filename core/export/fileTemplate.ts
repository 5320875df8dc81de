import { cutText } from '../schema/index.ts';
import { string } from 'yup';

/** What a file’s name can tell. */
export interface FileFacts {
  readonly name: string;
  /** What is in it: a tile, 3 x 3, a cell. */
  readonly contents: string;
  readonly width: number;
  readonly height: number;
  readonly unit: 'px' | 'mm';
  /** Dots per inch; none for shapes. */
  readonly density: number | undefined;
  readonly format: string;
  /** Such as 2026-11-27. */
  readonly date: string;
  /** From 1 on. */
  readonly number: number;
}

/** The fields that a template may have, in braces. */
export const TEMPLATE_FIELDS = ['name', 'contents', 'size', 'density', 'format', 'date', 'number'] as const;
type TemplateField = (typeof TEMPLATE_FIELDS)[number];

export const DEFAULT_TEMPLATE = '{name} {size}';

export const templateSchema = string()
  .required()
  .max(120)
  .test('fields', `a name has fields only of ${TEMPLATE_FIELDS.map((field) => `{${field}}`).join(', ')}`, (text) =>
    [...(text ?? '').matchAll(/\{([^}]*)\}/g)].every(([, field]) => isField(field)),
  );

function isField(text: string | undefined): text is TemplateField {
  return TEMPLATE_FIELDS.some((field) => field === text);
}

const FIELDS: { readonly [K in TemplateField]: (facts: FileFacts) => string } = {
  name: ({ name }) => name,
  contents: ({ contents }) => contents,
  size: ({ width, height, unit }) => `${shortened(width)}x${shortened(height)}${unit === 'mm' ? 'mm' : ''}`,
  density: ({ density }) => (density === undefined ? '' : `${shortened(density)}dpi`),
  format: ({ format }) => format,
  date: ({ date }) => date,
  number: ({ number }) => String(number).padStart(2, '0'),
};

function shortened(n: number): string {
  return String(Math.round(100 * n) / 100);
}

/** The name that a template makes of a file’s facts, without its ending, of letters that every system takes. */
export function nameFromTemplate(template: string, facts: FileFacts): string {
  const filled = template.replace(/\{([^}]*)\}/g, (whole, field: string) =>
    isField(field) ? FIELDS[field](facts) : whole,
  );
  return cleanFileName(filled, cleanFileName(facts.name, 'Swatch'));
}

/** Letters of a file’s name, without its ending. */
const LONGEST_FILE_NAME = 80;

/** A file name that every system takes. @param unnamed what it is called where nothing is left */
export function cleanFileName(name: string, unnamed: string): string {
  const taken = name
    // oxlint-disable-next-line no-control-regex -- control characters are among what file systems refuse
    .replace(/[\u0000-\u001f<>:"/\\|?*]+/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[ .]+/, '');
  // Some systems drop what a name ends in.
  return cutText(taken, LONGEST_FILE_NAME).replace(/[ .]+$/, '') || unnamed;
}

/** The names with numbers behind those that were there before, whatever their case. */
export function distinctNames(names: readonly string[]): string[] {
  const taken = new Set<string>();
  return names.map((name) => {
    let distinct = name;
    for (let n = 2; taken.has(distinct.toLowerCase()); n += 1) distinct = name.replace(/(\.\w+)?$/, ` ${n}$1`);
    taken.add(distinct.toLowerCase());
    return distinct;
  });
}
