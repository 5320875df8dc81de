import { type JsonBodyOf, OWN_HEADER, pathOf, type Route } from '../../contract/index.ts';

/** An answer that says no. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly body: string,
  ) {
    super(`${status} ${body}`);
  }
}

interface OpenedDesign {
  readonly name: string;
  readonly revision: number;
}

/** A program that works with a server, as a window does. Where there is no answer it throws what `fetch` throws. */
export class Client {
  readonly url: string;

  constructor(url: string) {
    this.url = url;
  }

  async call<T>(method: string, path: string, body?: unknown): Promise<T> {
    const response = await fetch(`${this.url}/api${path}`, {
      method,
      headers: { ...OWN_HEADER, ...(body !== undefined && { 'Content-Type': 'application/json' }) },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
    const text = await response.text();
    if (!response.ok) throw new Refused(response.status, text);
    return (text ? JSON.parse(text) : undefined) as T;
  }

  async newDesign(name: string): Promise<string> {
    const repeat = { width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } };
    return (await this.call<{ design: { id: string } }>('POST', '/designs', { name, repeat })).design.id;
  }

  async design(id: string): Promise<OpenedDesign> {
    const { design, revision } = await this.call<{ design: { name: string }; revision: number }>(
      'GET',
      `/designs/${id}`,
    );
    return { name: design.name, revision };
  }

  /** Renames a design on top of a revision. @returns the new revision */
  async save(design: string, revision: number, name: string, save = `saved-as-${name}`): Promise<number> {
    const commands = [{ type: 'name', name }];
    return (await this.call<{ revision: number }>('PATCH', `/designs/${design}`, { save, revision, commands }))
      .revision;
  }

  async motifs(): Promise<{ id: string; thumbnail: string }[]> {
    const all: { id: string; thumbnail: string }[] = [];
    for (let total = 1; all.length < total;) {
      const page = await this.call<{ motifs: typeof all; total: number }>(
        'GET',
        `/motifs?limit=60&offset=${all.length}`,
      );
      all.push(...page.motifs);
      total = page.total;
    }
    return all;
  }

  /** @returns the motif's id */
  async importDrawing(svg: string): Promise<string> {
    const response = await fetch(`${this.url}/api/motifs?name=drawing.svg`, {
      method: 'POST',
      headers: { ...OWN_HEADER, 'Content-Type': 'application/octet-stream' },
      body: svg,
    });
    const text = await response.text();
    if (!response.ok) throw new Refused(response.status, text);
    return (JSON.parse(text) as { motif: { id: string } }).motif.id;
  }

  /** Starts a job, as the contract has it, and waits until it has ended. @returns its state */
  async start<const R extends Route>(route: R, body: JsonBodyOf<R>): Promise<string> {
    const path = pathOf(route).replace('/api', '');
    let job = await this.call<{ id: string; state: string }>(route.method, path, body);
    while (job.state === 'running') {
      await new Promise((wait) => setTimeout(wait, 100));
      job = await this.call('GET', `/jobs/${job.id}`);
    }
    return job.state;
  }

  async status(path: string): Promise<number> {
    const response = await fetch(`${this.url}/api${path}`);
    await response.arrayBuffer();
    return response.status;
  }
}
