import { createServer, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { seeded } from '../../core/random/index.ts';

export interface LateServer {
  readonly url: string;
  close(): Promise<void>;
}

/**
 * Stands before a server and sends what its API answers up to three seconds late, so that answers come in another order than they were
 * asked for.
 *
 * @param url of the server
 * @param seed of how late each answer is
 */
export async function startLateServer(url: string, seed: number): Promise<LateServer> {
  const { host } = new URL(url);
  const random = seeded(seed);
  const server = createServer((asked, answer) => {
    const passOn = request(
      url + asked.url,
      { method: asked.method, headers: { ...asked.headers, host, ...(asked.headers.origin && { origin: url }) } },
      (answered) => {
        const send = (): void => {
          answer.writeHead(answered.statusCode ?? 502, answered.headers);
          answered.pipe(answer);
        };
        if (asked.url?.startsWith('/api/')) setTimeout(send, random() * MOST_MS);
        else send();
      },
    );
    // A page that is left, or a server that is closed, breaks off what it has asked.
    passOn.on('error', () => answer.destroy());
    answer.on('close', () => passOn.destroy());
    asked.pipe(passOn);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    async close() {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}

/** How late an answer is at the most, ms. */
const MOST_MS = 3000;
