import { cpSync, ftruncateSync, closeSync, mkdirSync, openSync, renameSync, rmSync, writeSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { PostgresFiles, type FileLayer, type OpenFile } from '../store/postgresFiles.ts';

/** What was done to the files of a folder, in order. Paths are relative to it. */
type Step =
  | { readonly kind: 'write'; readonly path: string; readonly at: number; readonly bytes: Uint8Array }
  | { readonly kind: 'cut'; readonly path: string; readonly size: number }
  | { readonly kind: 'create'; readonly path: string; readonly isFolder: boolean }
  | { readonly kind: 'rename'; readonly path: string; readonly to: string }
  | { readonly kind: 'remove'; readonly path: string }
  | { readonly kind: 'sync'; readonly path: string };

interface Node {
  readonly name: string;
  readonly mode: number;
}
interface Attributes {
  readonly size?: number;
}

/** A file layer that writes down what is done, so that the disk as it may be after a power cut can be made of it. */
export class RecordedFiles extends PostgresFiles {
  readonly steps: Step[] = [];

  protected override prepare(layer: FileLayer): void {
    super.prepare(layer);
    const { NODEFS } = layer;
    const { stream_ops: streams, node_ops: nodes } = NODEFS;
    const { write, fsync } = streams;
    const at = (node: unknown): string => relative(this.rootDir, NODEFS.realPath(node));
    const { steps } = this;
    streams.write = (stream, buffer, offset, length, position) => {
      const bytes = Uint8Array.from(buffer.subarray(offset, offset + length));
      steps.push({ kind: 'write', path: at(stream.node), at: position, bytes });
      return write(stream, buffer, offset, length, position);
    };
    streams.fsync = (stream: OpenFile) => {
      const result = fsync?.(stream) ?? 0;
      steps.push({ kind: 'sync', path: at(stream.node) });
      return result;
    };
    const wrap = <A extends unknown[]>(name: string, note: (...given: A) => void): void => {
      const before = nodes[name] as unknown as (...given: A) => unknown;
      nodes[name] = ((...given: A) => {
        note(...given);
        return before(...given);
      }) as never;
    };
    wrap('mknod', (parent: Node, name: string, mode: number) =>
      steps.push({ kind: 'create', path: join(at(parent), name), isFolder: (mode & 0o170000) === 0o040000 }),
    );
    wrap('rename', (node: Node, folder: Node, name: string) =>
      steps.push({ kind: 'rename', path: at(node), to: join(at(folder), name) }),
    );
    for (const name of ['unlink', 'rmdir'])
      wrap(name, (parent: Node, child: string) => steps.push({ kind: 'remove', path: join(at(parent), child) }));
    wrap('setattr', (node: Node, { size }: Attributes) => {
      if (size !== undefined) steps.push({ kind: 'cut', path: at(node), size });
    });
  }
}

/**
 * Makes the folder as it may be after a cut: of what nobody had asked to have on the disk, each file keeps some of its first writes, and
 * each folder some of its first new names.
 *
 * @param base the folder before the first step, all of it on the disk
 * @param steps those before the cut
 * @param random from 0 up to 1
 */
export function afterCut(base: string, folder: string, steps: readonly Step[], random: () => number): void {
  cpSync(base, folder, { recursive: true });
  const isKept = keptOf(steps, random);
  // A file under the name that it has in what is kept, by the name that the steps call it.
  const named = new Map<string, string | undefined>();
  const now = (path: string): string | undefined => (named.has(path) ? named.get(path) : path);
  steps.forEach((step, n) => {
    const kept = isKept[n];
    const path = now(step.path);
    if (step.kind === 'create') {
      named.set(step.path, kept ? step.path : undefined);
      if (kept && step.isFolder) mkdirSync(join(folder, step.path), { recursive: true });
      else if (kept) change(join(folder, step.path), (file) => ftruncateSync(file, 0));
    } else if (step.kind === 'rename') {
      named.set(step.to, kept ? step.to : path);
      named.set(step.path, undefined);
      if (kept && path !== undefined) renameSync(join(folder, path), join(folder, step.to));
    } else if (path === undefined || !kept) return;
    else if (step.kind === 'remove') rmSync(join(folder, path), { recursive: true, force: true });
    else if (step.kind === 'cut') change(join(folder, path), (file) => ftruncateSync(file, step.size));
    else if (step.kind === 'write')
      change(join(folder, path), (file) => writeSync(file, step.bytes, 0, step.bytes.length, step.at));
  });
}

function change(path: string, work: (file: number) => void): void {
  const file = openSync(path, 'a+');
  closeSync(file);
  const open = openSync(path, 'r+');
  try {
    work(open);
  } finally {
    closeSync(open);
  }
}

/** Whether each step reached the disk. */
function keptOf(steps: readonly Step[], random: () => number): boolean[] {
  const kept = steps.map(() => true);
  /** Steps that nobody had asked for yet, by the file, or by the folder whose names they change. */
  const open = new Map<string, number[]>();
  const keyOf = (step: Step): string =>
    step.kind === 'write' || step.kind === 'cut' ? `file ${step.path}` : `folder ${dirname(step.path)}`;
  steps.forEach((step, n) => {
    if (step.kind === 'sync') {
      open.delete(`file ${step.path}`);
      open.delete(`folder ${step.path === '' ? '.' : step.path}`);
      return;
    }
    const list = open.get(keyOf(step)) ?? [];
    list.push(n);
    open.set(keyOf(step), list);
    if (step.kind === 'rename') {
      // What the file still has open goes with it.
      const moved = open.get(`file ${step.path}`);
      open.delete(`file ${step.path}`);
      if (moved) open.set(`file ${step.to}`, moved);
    }
  });
  for (const list of open.values())
    for (const n of list.slice(Math.floor(random() * (list.length + 1)))) kept[n] = false;
  return kept;
}
