import { fsyncSync } from 'node:fs';
import { NodeFS } from '@electric-sql/pglite/nodefs';

/** What the engine's own file layer looks like from here: it has no fsync, and takes one where it is given. */
export interface FileLayer {
  readonly NODEFS: {
    realPath(node: unknown): string;
    readonly stream_ops: {
      fsync?(stream: OpenFile): number;
      write(stream: OpenFile, buffer: Uint8Array, offset: number, length: number, position: number): number;
    };
    readonly node_ops: Record<string, (...given: never[]) => unknown>;
  };
}

export interface OpenFile {
  readonly node: unknown;
  /** The file's descriptor. */
  readonly nfd: number;
}

type Init = Parameters<NodeFS['init']>;

/**
 * The folder that PostgreSQL writes to. What it asks to have on the disk is on the disk when it goes on: the engine's own
 * layer takes the wish and does nothing, so a power cut would take what was acknowledged.
 */
export class PostgresFiles extends NodeFS {
  override async init(...given: Init): ReturnType<NodeFS['init']> {
    const { emscriptenOpts } = await super.init(...given);
    const prepare = (layer: unknown): void => this.prepare(layer as FileLayer);
    return { emscriptenOpts: { ...emscriptenOpts, preRun: [...(emscriptenOpts.preRun ?? []), prepare] } };
  }

  /** Called once the folder is mounted, before anything is read. */
  protected prepare({ NODEFS }: FileLayer): void {
    NODEFS.stream_ops.fsync = ({ nfd }) => {
      fsyncSync(nfd);
      return 0;
    };
  }
}
