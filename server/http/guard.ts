import { cutText } from '../../core/schema/index.ts';
import { hostname, networkInterfaces } from 'node:os';
import type { RequestHandler } from 'express';
import { OWN_HEADER } from '../../contract/index.ts';
import { Problem } from '../problem.ts';

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];
const EVERYWHERE = ['0.0.0.0', '::'];
const READING = new Set(['GET', 'HEAD']);
const [[OWN_NAME, OWN_VALUE]] = Object.entries(OWN_HEADER) as [[string, string]];

/**
 * The names under which a server may be asked: those of this machine to itself, the address it listens at (each of this machine's where
 * that is all of them), and those that it is told.
 */
export function ownHosts(listening: string, told: readonly string[]): ReadonlySet<string> {
  const addresses = EVERYWHERE.includes(listening)
    ? [hostname(), ...Object.values(networkInterfaces()).flatMap((list) => (list ?? []).map(({ address }) => address))]
    : [listening];
  return new Set([...LOOPBACK, ...[...addresses, ...told].map((name) => bracketed(name).toLowerCase())]);
}

function bracketed(name: string): string {
  return name.includes(':') && !name.startsWith('[') ? `[${name}]` : name;
}

/** Keeps out whoever asks by a name that is not ours: it may have been made to lead here by whoever owns it. */
export function ownNames(hosts: ReadonlySet<string>): RequestHandler {
  return ({ headers }, _response, next) => {
    const asked = headers.host ?? '';
    const name = nameIn(asked);
    if (name === undefined || !hosts.has(name))
      throw new Problem(
        421,
        'Not the name of this server',
        `Hevrel does not answer to “${cutText(asked, 80)}”. Nothing was changed; use its own address, or start it with --allow-host and that name.`,
      );
    next();
  };
}

/** Keeps other people's pages out: they can send simple requests, but neither our header nor an `Origin` of ours. To be mounted before all that they may not ask for. */
export const ownPages: RequestHandler = ({ headers, method }, _response, next) => {
  const { origin, host } = headers;
  const site = headers['sec-fetch-site'];
  const isForeign = (origin !== undefined && hostIn(origin) !== host) || site === 'cross-site' || site === 'same-site';
  if (isForeign || (!READING.has(method) && headers[OWN_NAME.toLowerCase()] !== OWN_VALUE))
    throw new Problem(
      403,
      'From another page',
      `This was asked by another page or program. Nothing was changed; programs send the header ${OWN_NAME}: ${OWN_VALUE}.`,
    );
  next();
};

/** The name in a `Host` header, without its port. */
function nameIn(host: string): string | undefined {
  return /^(\[[\da-f:.]+\]|[\w.-]+)(?::\d{1,5})?$/i.exec(host)?.[1]?.toLowerCase();
}

function hostIn(origin: string): string | undefined {
  try {
    return new URL(origin).host;
  } catch {
    return undefined;
  }
}
