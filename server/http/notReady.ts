import type { RequestListener } from 'node:http';

const RETRY_S = 2;
const DETAIL = 'Hevrel is starting and will be ready in a moment. Nothing was changed.';
/** It asks again by itself, and needs nothing else of a server that is not there yet. */
const PAGE = `<!doctype html>
<html lang="en">
  <meta charset="utf-8">
  <meta http-equiv="refresh" content="${RETRY_S}">
  <title>Hevrel is starting</title>
  <body style="font: 16px/1.5 system-ui, sans-serif; margin: 20vh auto; max-width: 30em; padding: 0 1em">
    <h1 style="font-size: 1.4em">Hevrel is starting</h1>
    <p>This page will open by itself once Hevrel is ready.</p>
  </body>
</html>
`;

/** Answers everything with 503 until the studio is open: a page that waits to those who look, a problem to programs. */
export const notReady: RequestListener = ({ headers }, response) => {
  const isPage = /text\/html/.test(headers.accept ?? '');
  response.writeHead(503, {
    'Retry-After': String(RETRY_S),
    'Cache-Control': 'no-store',
    'Content-Type': isPage ? 'text/html; charset=utf-8' : 'application/problem+json',
  });
  response.end(isPage ? PAGE : JSON.stringify({ type: 'about:blank', title: 'Starting', status: 503, detail: DETAIL }));
};
