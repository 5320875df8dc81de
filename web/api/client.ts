/** An answer of the server that says no; the message is a sentence for the person. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

/** The server cannot be reached at all. */
export class Unreachable extends Error {
  constructor() {
    super('Hevrel’s server does not answer. Your work is kept in this browser; it is tried again.');
  }
}

/** Calls the API; JSON both ways. @throws ApiProblem, Unreachable */
export async function call<T>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
  keepalive = false,
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      keepalive,
      ...(body !== undefined && { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
    });
  } catch {
    throw new Unreachable();
  }
  if (!response.ok) throw await problemOf(response.status, await response.text());
  return (response.status === 204 ? undefined : await response.json()) as T;
}

/** The problem in an error answer's body, or a sentence of our own where it holds none. */
export function problemOf(status: number, body: string): ApiProblem {
  try {
    const { detail } = JSON.parse(body) as { detail?: unknown };
    if (typeof detail === 'string') return new ApiProblem(status, detail);
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
  }
  return new ApiProblem(status, `The server answered with the error ${status}. Nothing was changed; try again.`);
}

/** Sends one file with progress, 0 to 1; can be stopped. @throws ApiProblem, Unreachable */
export function upload<T>(
  method: 'POST' | 'PUT',
  path: string,
  file: Blob,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<T> {
  return new Promise((resolve, reject) => {
    // fetch does not tell how much of a body it has sent.
    const request = new XMLHttpRequest();
    request.open(method, `/api${path}`);
    request.setRequestHeader('Content-Type', 'application/octet-stream');
    request.upload.onprogress = (event) => onProgress(event.lengthComputable ? event.loaded / event.total : 0);
    request.onload = () => {
      if (request.status < 300) resolve(JSON.parse(request.responseText) as T);
      else reject(problemOf(request.status, request.responseText));
    };
    request.onerror = () => reject(new Unreachable());
    request.onabort = () => reject(new ApiProblem(0, 'Stopped. Nothing was added.'));
    signal.addEventListener('abort', () => request.abort(), { once: true });
    request.send(file);
  });
}

/** The address of kept content. */
export function blobUrl(address: string): string {
  return `/api/blobs/${address}`;
}
