import type { Artwork, View } from '../../core/motif/artwork.ts';
import type { Hex } from '../../core/colour/hex.ts';
import type { Design } from '../../core/document/design.ts';
import type { Motif } from '../../core/motif/motif.ts';

/** Paints a design's straight unit into a PNG file. */
export interface PaintTask {
  readonly kind: 'paint';
  readonly design: Design;
  readonly motifs: readonly Motif[];
  readonly blobs: string;
  /** Wished pixels per millimetre. */
  readonly scale: number;
  /** Written into the file, dots per inch. */
  readonly density: number;
  /** Where the file goes. */
  readonly file: string;
}

export interface PaintOutcome {
  readonly width: number;
  readonly height: number;
  /** Largest resident memory of the process while painting, bytes. */
  readonly peakMemory: number;
}

/** Turns an uploaded file into artwork. */
export interface ReadTask {
  readonly kind: 'read';
  readonly name: string;
  readonly content: Uint8Array;
  readonly blobs: string;
}

/** What was found in an uploaded file. */
export interface ReadOutcome {
  readonly artwork: Artwork;
  readonly view: View;
  readonly inks: readonly Hex[];
  /** Natural width in mm. */
  readonly width: number;
  readonly source: string;
  readonly thumbnail: string;
  /** Sentences about what could not be kept as it was. */
  readonly notes: readonly string[];
}

export type Task = PaintTask | ReadTask;
export type Outcome<T extends Task> = T extends PaintTask ? PaintOutcome : ReadOutcome;

/** What the pool sends to a worker. */
export interface Order {
  readonly id: number;
  readonly task: Task;
  /** One number, set to 1 when the work is no longer wanted. */
  readonly stop: Int32Array;
}

/** What a worker sends back. */
export type Answer =
  | { readonly id: number; readonly type: 'progress'; readonly share: number }
  | { readonly id: number; readonly type: 'done'; readonly outcome: PaintOutcome | ReadOutcome }
  | { readonly id: number; readonly type: 'failed'; readonly message: string; readonly problem?: { status: number; title: string } };

/** Thrown inside a worker when its work is no longer wanted. */
export class Stopped extends Error {}

/** What a task is given to report with. */
export interface TaskHands {
  progress(share: number): void;
  /** @throws Stopped */
  check(): void;
}
