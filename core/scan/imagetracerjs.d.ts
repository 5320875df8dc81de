// The package has no types of its own; these are of the part that is used.
declare module 'imagetracerjs' {
  export interface TracedSegment {
    readonly type: 'L' | 'Q';
    readonly x1: number;
    readonly y1: number;
    readonly x2: number;
    readonly y2: number;
    readonly x3?: number;
    readonly y3?: number;
  }
  export interface TracedPath {
    readonly segments: readonly TracedSegment[];
    readonly isholepath: boolean;
  }
  type Scanned = unknown;
  const tracer: {
    /** The edges of one number in an array with a border one place wide. */
    layeringstep(indexed: { array: ArrayLike<number>[] }, number: number): number[][];
    pathscan(layer: number[][], pathomit: number): Scanned;
    internodes(paths: Scanned, options: { rightangleenhance: boolean }): Scanned;
    batchtracepaths(paths: Scanned, ltres: number, qtres: number): TracedPath[];
  };
  export default tracer;
}
