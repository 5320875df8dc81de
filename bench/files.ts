import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { layOutSamples } from '../server/samples/layOutSamples.ts';
import { openStudio } from '../server/studio.ts';
import { motifsById } from '../server/store/motifs.ts';
import { exportTimings } from './exportBench.ts';
import { bookTimings } from './swatchBench.ts';
import { tileTimings } from './tileBench.ts';
import { tryOnTimings } from './tryOnBench.ts';

/* Files, try-ons and the swatch book. `large` paints those of 16,000 and 20,000 pixels too, which takes a quarter of an hour. */

const SIDES = process.argv.includes('large') ? [4000, 8000, 16_000, 20_000] : [4000, 8000];
const SWATCHES = 5000;

const ms = (n: number): string => `${n.toFixed(n < 10 ? 2 : 0)} ms`;
const data = mkdtempSync(join(tmpdir(), 'hevrel-files-'));
const studio = await openStudio(data);
try {
  await layOutSamples(studio, () => undefined);
  const { design } = await studio.designs.read('low-tide-limpets-and-rope');
  const motifs = await motifsById(
    studio.database,
    design.placements.map(({ motif }) => motif),
  );
  console.log('A sample in a half-drop, as a PNG');
  for (const side of SIDES) {
    const { width, height, painting, encoding, overlapped, peakMemory } = await exportTimings(
      design,
      motifs,
      studio,
      side,
    );
    console.log(
      `  ${width} × ${height} px  painting ${ms(painting)}, encoding ${ms(encoding)}; both together ${ms(overlapped)}: ${(overlapped / (painting + encoding)).toFixed(2)} times that in sequence; peak ${Math.round(peakMemory / 2 ** 20)} MB`,
    );
  }
  const { copy, draft, full, file, tile, encode } = await tryOnTimings(studio);
  console.log('\nA papered room in perspective, 1067 × 800');
  console.log(
    `  a frame while moving         ${ms(draft)} at half the size: ${(draft / copy).toFixed(2)} times copying the picture; in full ${ms(full)}`,
  );
  console.log(
    `  a file of 4,000 px           ${ms(file)}: ${(file / (tile + encode)).toFixed(2)} times painting its tile (${ms(tile)}) and encoding it (${ms(encode)})`,
  );
} finally {
  await studio.close();
  rmSync(data, { recursive: true, force: true });
}

const { joined, copy, transform, fill, live } = tileTimings();
console.log('\nA picture made to repeat');
console.log(
  `  12 megapixels by itself      ${ms(joined)}: ${(joined / copy).toFixed(0)} times copying them (${ms(copy)}), ${(joined / transform).toFixed(2)} times a Fourier transform and back (${ms(transform)})`,
);
console.log(
  `  a frame while it is dragged  ${ms(live + fill)}: ${((live + fill) / fill).toFixed(2)} times filling the cloth with a tile that is there (${ms(fill)})`,
);

const { few, many } = await bookTimings(SWATCHES);
console.log(`\nThe swatch book with ${SWATCHES} swatches, against that of the samples`);
console.log(
  `  the list                     ${ms(many.list.ms)}, ${Math.round(many.list.bytes / 1000)} kB (${ms(few.list.ms)}, ${Math.round(few.list.bytes / 1000)} kB)`,
);
console.log(
  `  a frame while scrolling      median ${ms(many.frames.median)}, p95 ${ms(many.frames.p95)}: ${(many.frames.median / few.frames.median).toFixed(2)} times (p95 ${(many.frames.p95 / few.frames.p95).toFixed(2)})`,
);
