import type { Design } from '../../core/document/index.ts';
import type { ExportOrder, VectorOrder } from '../../core/export/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import type { Proof } from './proveFile.ts';

/** Paints a design into a file. */
export interface PaintTask {
  readonly kind: 'paint';
  readonly design: Design;
  readonly motifs: readonly Motif[];
  readonly blobs: string;
  readonly order: ExportOrder;
  /** The name that is written into the file. */
  readonly title: string;
  /** Whether it is held against the plane once it is finished. */
  readonly prove: boolean;
  /** Where the file goes. */
  readonly file: string;
}

export interface PaintOutcome {
  readonly width: number;
  readonly height: number;
  /** Whether its pixels are numbers of a palette's colours. */
  readonly kind: 'palette' | 'full';
  readonly proof: Proof | undefined;
  /** Largest resident memory of the process while painting, bytes. */
  readonly peakMemory: number;
}

/** Writes a design as shapes into a file. */
export interface VectorTask extends Pick<PaintTask, 'design' | 'motifs' | 'blobs' | 'title' | 'file'> {
  readonly kind: 'vector';
  readonly order: VectorOrder;
}

export interface VectorOutcome {
  /** mm, as printed. */
  readonly width: number;
  readonly height: number;
  /** What came of drawing it again; none for a format that nothing here draws. */
  readonly proof: Proof | undefined;
}
