import { setLocale } from 'yup';
import { cutText } from './cutText.ts';

/** Where something is, as it is said at the beginning of a phrase. */
const at = (path: string): string => (path === 'this' ? 'it' : path);
const shown = (value: unknown): string => {
  const text = typeof value === 'string' ? `“${value}”` : String(JSON.stringify(value) ?? 'nothing');
  return text.length > 60 ? `${cutText(text, 57)}…` : text;
};
const TYPES: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  boolean: 'true or false',
  object: 'an object',
  array: 'a list',
  tuple: 'a list',
};

// What schemas say of values that do not fit, in the words of this house: people read it.
setLocale({
  mixed: {
    default: ({ path }) => `${at(path)} cannot be used`,
    required: ({ path }) => `${at(path)} is missing`,
    defined: ({ path }) => `${at(path)} is missing`,
    notNull: ({ path }) => `${at(path)} is null, and has to have a value`,
    oneOf: ({ path, values }) => `${at(path)} has to be one of ${values}`,
    notType: ({ path, type, value }) =>
      TYPES[type] === undefined
        ? `${at(path)} cannot be ${shown(value)}`
        : `${at(path)} has to be ${TYPES[type]}, and is ${shown(value)}`,
  },
  string: {
    length: ({ path, length }) => `${at(path)} has to have ${length} characters`,
    min: ({ path, min }) => `${at(path)} needs at least ${min} characters`,
    max: ({ path, max }) => `${at(path)} has at most ${max} characters`,
    matches: ({ path }) => `${at(path)} is not written as it has to be`,
    trim: ({ path }) => `${at(path)} begins or ends with a space`,
  },
  number: {
    min: ({ path, min }) => `${at(path)} has to be at least ${min}`,
    max: ({ path, max }) => `${at(path)} has to be at most ${max}`,
    lessThan: ({ path, less }) => `${at(path)} has to be less than ${less}`,
    moreThan: ({ path, more }) => `${at(path)} has to be more than ${more}`,
    integer: ({ path }) => `${at(path)} has to be a whole number`,
  },
  array: {
    length: ({ path, length }) => `${at(path)} has to have ${length} entries`,
    min: ({ path, min }) => `${at(path)} needs at least ${min} entries`,
    max: ({ path, max }) => `${at(path)} has at most ${max} entries`,
  },
  tuple: { notType: ({ path, spec }) => `${at(path)} has to be a list of ${spec.types.length}, each as it has to be` },
  object: { noUnknown: ({ path, unknown }) => `${at(path)} has something that is not known here (${unknown})` },
});
