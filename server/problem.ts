import type { ErrorRequestHandler, RequestHandler } from 'express';
import { ValidationError } from 'yup';
import { CommandError, DesignError } from '../core/document/index.ts';

/** An error meant for the person at the screen: what happened, what was kept, what to do. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    /** Further members of the problem document. */
    readonly rest: Readonly<Record<string, unknown>> = {},
  ) {
    super(detail);
  }
}

export function notFound(what: string): Problem {
  return new Problem(
    404,
    `No such ${what}`,
    `There is no such ${what} here. It may have been deleted; nothing was changed.`,
  );
}

/** What Express and its body readers throw. */
interface HttpError {
  readonly type?: string;
  readonly status?: number;
}

/** Tests of schemas that the API's description knows as well: what fails them is malformed, what fails others can be read and makes no sense. */
const MALFORMED: ReadonlySet<string> = new Set([
  ...['typeError', 'required', 'defined', 'optionality', 'nullable', 'oneOf', 'noUnknown', 'known', 'depth', 'ids'],
  ...['min', 'max', 'length', 'matches', 'trim', 'integer', 'finite', 'tupleTypes'],
]);

/** What a schema says of a value, as a sentence. */
function validationSentence({ message }: ValidationError): string {
  const isSentence = /^\p{Lu}.*\.$/u.test(message);
  return `${isSentence ? message : `What was sent does not fit: ${message.replace(/\.$/, '')}.`} Nothing was changed.`;
}

/** What is said of an error; a 500 of those that nobody expected. */
export function problemOf(error: unknown): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof ValidationError) {
    const isMalformed = MALFORMED.has(error.type ?? '');
    return new Problem(isMalformed ? 400 : 422, 'Not understood', validationSentence(error));
  }
  if (error instanceof CommandError)
    return new Problem(
      422,
      'The edit does not fit',
      `The edit does not fit the design: ${error.message.replace(/\.$/, '')}. Nothing was changed.`,
    );
  if (error instanceof DesignError)
    return new Problem(422, 'The design cannot be read', `${error.message} Nothing was changed.`);
  const { type, status } = (error ?? {}) as HttpError;
  if (type === 'entity.too.large')
    return new Problem(413, 'Too large', 'What was sent is too large. Nothing was changed.');
  if (status && status >= 400 && status < 500)
    return new Problem(status, 'Not understood', 'The request could not be read. Nothing was changed.');
  return new Problem(
    500,
    'Something went wrong',
    'Something went wrong on the server. What was saved before is safe; try again.',
  );
}

/**
 * Answers every error as application/problem+json (RFC 9457) and writes the unexpected ones to the log.
 *
 * @param refine what an error really is, where more can be found out about it
 */
export function problemHandler(
  log: (message: string) => void,
  refine: (error: unknown) => Promise<unknown> = (error) => Promise.resolve(error),
): ErrorRequestHandler {
  return async (error: unknown, request, response, next) => {
    const problem = problemOf(await refine(error));
    if (problem.status >= 500)
      log(
        `${request.method} ${request.path}: ${error instanceof Error && error !== problem ? (error.stack ?? error.message) : problem.message}`,
      );
    if (response.headersSent) {
      next(error);
      return;
    }
    response
      .status(problem.status)
      .type('application/problem+json')
      .send(
        JSON.stringify({
          type: 'about:blank',
          title: problem.title,
          status: problem.status,
          detail: problem.message,
          ...problem.rest,
        }),
      );
  };
}

export const noSuchRoute: RequestHandler = () => {
  throw new Problem(404, 'No such address', 'There is nothing at this address.');
};
