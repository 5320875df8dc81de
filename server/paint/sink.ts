/** What is told about a picture besides its pixels. */
export interface PictureFacts {
  readonly width: number;
  readonly height: number;
  readonly channels: 3 | 4;
  /** Bits a channel; 16 with the higher byte first. */
  readonly depth: 8 | 16;
  /** Dots per inch. */
  readonly density: number;
  readonly title: string;
}

/** Takes a picture's rows from top to bottom and makes a file of them. */
export interface Sink {
  /** Takes rows, which are no longer the caller's. Resolves once more can be taken; what is written meanwhile is encoded beside the painting. */
  write(rows: Uint8Array): Promise<void>;
  /** Resolves once the file is there, whole. */
  end(): Promise<void>;
  /** Lets go of a file that will not be finished. */
  abandon(): Promise<void>;
}
