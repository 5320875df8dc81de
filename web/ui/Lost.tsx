import { isRouteErrorResponse, Link, useRouteError } from 'react-router';
import { TEXTS } from './texts.ts';

/** Where an address leads nowhere or a screen has failed: what happened, what is safe, where to go. */
export function Lost() {
  const error = useRouteError();
  const missing = isRouteErrorResponse(error) && error.status === 404;
  return (
    <main className="mx-auto grid h-full max-w-lg place-content-center gap-4 p-8">
      <h1 className="font-name text-2xl font-semibold">
        {missing ? TEXTS.thereIsNothingAtThis : TEXTS.thisScreenCouldNotBe}
      </h1>
      <p>
        {missing
          ? TEXTS.theDesignOrSwatchMay
          : TEXTS.everythingSavedSoFarIs(error instanceof Error ? error.message : TEXTS.noReasonWasGiven)}
      </p>
      <Link to="/" className="text-madder underline underline-offset-2">
        {TEXTS.toTheTable}
      </Link>
    </main>
  );
}
