import './words.ts';
import { array, number, object, string, type ArraySchema } from 'yup';
import { ofWhole } from './ofWhole.ts';

/** The same data, none of which can be assigned to. Schemas infer mutable types; documents are never changed in place. */
export type Immutable<T> = T extends object ? { readonly [K in keyof T]: Immutable<T[K]> } : T;

/** What every object has a member of: as an id it would be found in every table, though nobody put it there. */
const EVERY_OBJECTS = Object.getOwnPropertyNames(Object.prototype).join('|');

/** An id: 1 to 64 letters, digits, `_` or `-`, and not the name of what every object has. */
export const idSchema = string()
  .required()
  .min(1)
  .max(64)
  .matches(
    new RegExp(`^(?!(?:${EVERY_OBJECTS})$)[\\w-]+$`),
    '${path} has to be letters, digits, “_” or “-”, and not a name that every object has',
  );

/** Letters of a name. */
export const MOST_NAME = 120;

/** A name given by a person: 1 to 120 characters, without space at its ends. */
export const nameSchema = string()
  .required('A name is needed.')
  .trim()
  .min(1, 'A name is needed.')
  .max(MOST_NAME, `A name has at most ${MOST_NAME} letters.`);

/** A number that is neither infinite nor missing its value; add `required()` where it has to be there. */
export const finite = () =>
  number().test('finite', '${path} has to be a number', (n) => n === undefined || Number.isFinite(n));

/** A required number from `least` to `most`. */
export const between = (least: number, most: number) => finite().min(least).max(most).required();

/** A required whole number from `least` to `most`. */
export const whole = (least: number, most: number) => number().integer().min(least).max(most).required();

/** A coordinate of the cloth, mm; bounded far outside any cell. */
export const coordinate = finite().min(-1e6).max(1e6);

/** A point, mm. */
export const pointSchema = object({ x: between(-1e5, 1e5), y: between(-1e5, 1e5) })
  .noUnknown()
  .required();

/** A content address: the SHA-256 of a stored file and its ending. */
export const addressSchema = string()
  .required()
  .matches(/^[0-9a-f]{64}\.[a-z]{2,5}$/, '${path} has to be a content address');

/** A list of things with ids, none of which share one. */
export function distinctById<T extends { id: string }>(list: ArraySchema<T[], object>, what: string) {
  return list.test(
    'distinct',
    `two ${what} share an id`,
    ofWhole((items) => new Set(items?.map(({ id }) => id)).size === (items ?? []).length),
  );
}

/** A list of ids of at most so many. */
export const idsSchema = (most: number) => array(idSchema).required().max(most);
