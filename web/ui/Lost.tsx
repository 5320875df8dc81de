import { isRouteErrorResponse, Link, useRouteError } from 'react-router';

/** Where an address leads nowhere or a screen has failed: what happened, what is safe, where to go. */
export function Lost() {
  const error = useRouteError();
  const missing = isRouteErrorResponse(error) && error.status === 404;
  return (
    <main className="mx-auto grid h-full max-w-lg place-content-center gap-4 p-8">
      <h1 className="font-name text-2xl font-semibold">
        {missing ? 'There is nothing at this address' : 'This screen could not be shown'}
      </h1>
      <p>
        {missing
          ? 'The design or swatch may have been deleted, or the address mistyped. Nothing was changed.'
          : `Everything saved so far is safe. Go back to the table and try again. (${error instanceof Error ? error.message : 'no reason was given'})`}
      </p>
      <Link to="/" className="text-madder underline underline-offset-2">
        To the table
      </Link>
    </main>
  );
}
