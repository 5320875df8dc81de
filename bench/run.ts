import { type Job, OWN_HEADER } from '../contract/index.ts';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'vite';
import { tileOrder } from '../core/export/index.ts';
import { openBrowser } from '../e2e/support/browser.ts';
import { exportTask } from '../server/paint/exportTask.ts';
import { paintExport } from '../server/paint/paintExport.ts';
import { serve } from '../server/serve.ts';
import { everyMotif } from '../server/store/motifs.ts';
import { groupTimings, importTimings } from './importBench.ts';
import { recolourTimings } from './recolourBench.ts';
import { scattered, SIDE_MM } from './scattered.ts';
import { growth, saveTimings, serverTimings } from './serverBench.ts';
import { longTasksOfStrokes } from './strokesBench.ts';
import { sessionTimings } from './sessionBench.ts';
import { measured, tossed, tried } from './tossBench.ts';
import { TOSS_GAP, tossables, tossRecipe } from './tossSetup.ts';
import type { ClothTimings } from './page/clothBench.ts';

const COUNTS = [300, 1000, 3000];
const DPI = 300;
const GROUPS = 1000;

await build({ configFile: fileURLToPath(new URL('./vite.config.ts', import.meta.url)) });
const data = mkdtempSync(join(tmpdir(), 'hevrel-bench-'));
const serving = await serve(
  { port: 0, host: '127.0.0.1', data, empty: false },
  fileURLToPath(new URL('../dist/bench', import.meta.url)),
  () => undefined,
);
const { studio, url } = serving;
const browser = await openBrowser();
const ms = (n: number): string => `${n.toFixed(n < 10 ? 2 : 0)} ms`;
const ratio = (a: number, b: number): string => (a / b).toFixed(2);

try {
  for (const count of COUNTS) await studio.designs.insert(scattered(count));
  await browser.driver.manage().setTimeouts({ script: 180_000 });
  console.log(`A half-drop of ${SIDE_MM} × ${SIDE_MM} mm, the sample motifs scattered over it, at 1280 × 800\n`);
  for (const count of COUNTS) {
    await browser.driver.get(url);
    const {
      fill,
      drag,
      dragHundred,
      stroke,
      opening,
      pick,
      pickerBuilt,
      box,
      undo,
      check,
      firstCheck,
      opened,
      editBytes,
      designBytes,
      repaint,
      again,
      recolour,
      nine,
    }: ClothTimings = await browser.driver.executeAsyncScript(
      'const done = arguments[1]; (function go(id) { window.clothBench ? window.clothBench(id).then(done) : setTimeout(go, 50, id); })(arguments[0]);',
      `bench-${count}`,
    );
    console.log(`${count} motifs`);
    console.log(`  a bare repeating fill   median ${ms(fill.median)}, p95 ${ms(fill.p95)}`);
    console.log(
      `  a frame of a drag       median ${ms(drag.median)}, p95 ${ms(drag.p95)}: ${ratio(drag.median, fill.median)} times the fill (p95 ${ratio(drag.p95, fill.p95)})`,
    );
    console.log(
      `  a hundred together      median ${ms(dragHundred.median)}, p95 ${ms(dragHundred.p95)}: ${ratio(dragHundred.median, fill.median)} times the fill (p95 ${ratio(dragHundred.p95, fill.p95)})`,
    );
    console.log(
      `  a frame of a stroke     median ${ms(stroke.median)}, p95 ${ms(stroke.p95)}: ${ratio(stroke.median, fill.median)} times the fill (p95 ${ratio(stroke.p95, fill.p95)})`,
    );
    console.log(
      `  5,000 points            opened and seen after ${ms(opening)}: ${ratio(opening, fill.median)} times the fill`,
    );
    console.log(
      `  picking at the pointer  median ${ms(pick.median)}, p95 ${ms(pick.p95)}; its tree built in ${ms(pickerBuilt.median)}`,
    );
    console.log(`  choosing by a box       median ${ms(box.median)}, p95 ${ms(box.p95)}`);
    console.log(`  an undo                 median ${ms(undo.median)}, p95 ${ms(undo.p95)}`);
    console.log(
      `  a check after an edit   median ${ms(check.median)}, p95 ${ms(check.p95)}; the first ${ms(firstCheck)}`,
    );
    console.log(`  opening the design      ${ms(opened)} until it is seen`);
    console.log(
      `  one motif moved         ${editBytes} bytes sent, of a design of ${designBytes} (${((editBytes / designBytes) * 100).toFixed(2)} %)`,
    );
    console.log(`  the cell painted        ${ms(repaint)} in the worker; again when a motif is taken up ${ms(again)}`);
    console.log(
      `  every ink changed       ${ms(recolour)} in the worker: ${ratio(recolour, repaint)} times the cell painted`,
    );
    console.log(
      `  nine live colourways    ${ms(nine)} until all are seen: ${ratio(nine, repaint)} times the cell painted\n`,
    );
  }

  const session = await sessionTimings(60);
  console.log(`A session of ${session.edits} edits with pointer and keys, in the window that is served`);
  console.log(
    session.long.length === 0
      ? '  the page always answered within 50 ms\n'
      : `  ${session.long.length} tasks of 50 ms or more, the longest ${ms(Math.max(...session.long))}; the machine takes up to ${session.slower.toFixed(1)} times as long for the same work: ${ratio(Math.max(...session.long), 50 * session.slower)} times what that explains\n`,
  );

  const strokes = await longTasksOfStrokes();
  console.log(
    strokes.length === 0
      ? 'Ten strokes over 300 motifs: the page always answered within 50 ms\n'
      : `Ten strokes over 300 motifs: ${strokes.length} tasks of 50 ms or more, the longest ${ms(Math.max(...strokes))}\n`,
  );

  const motifs = await everyMotif(studio.database);
  const design = scattered(300);
  const order = tileOrder({ kind: 'density', dpi: DPI });
  const context = { progress: () => undefined };
  const alone = async (): Promise<number> => {
    const began = performance.now();
    await paintExport(
      exportTask({ design, motifs, order, blobs: studio.blobs.folder, file: join(data, 'alone.png'), prove: true }),
      context,
    );
    return performance.now() - began;
  };
  const asked = async (): Promise<{ took: number; peakMemory: number; size: string }> => {
    const began = performance.now();
    const answer = await fetch(`${url}/api/exports`, {
      method: 'POST',
      headers: { ...OWN_HEADER, 'Content-Type': 'application/json' },
      body: JSON.stringify({ design: 'bench-300', order }),
    });
    const { id } = (await answer.json()) as Job;
    for await (const job of studio.jobs.follow(id, new AbortController().signal)) {
      if (job.state === 'running') continue;
      const result = job.result as { peakMemory: number; width: number; height: number };
      return {
        took: performance.now() - began,
        peakMemory: result.peakMemory,
        size: `${result.width} × ${result.height} px`,
      };
    }
    throw new Error('the export never ended');
  };
  // Each once to warm up, then in turns, so that a busy machine slows both.
  await alone();
  await asked();
  const [a1, b1, a2, b2] = [await alone(), await asked(), await alone(), await asked()];
  const [aloneMs, askedMs] = [Math.min(a1, a2), Math.min(b1.took, b2.took)];
  console.log(`A tile at ${DPI} dpi, 300 motifs, ${b1.size}`);
  console.log(`  painting and encoding alone  ${ms(aloneMs)}`);
  console.log(`  asked for and delivered      ${ms(askedMs)}: ${ratio(askedMs, aloneMs)} times that`);
  console.log(`  peak memory of the process   ${Math.round(Math.max(b1.peakMemory, b2.peakMemory) / 2 ** 20)} MB`);

  const { files, median, p95, start } = await importTimings(studio.blobs.folder);
  console.log(`\nImporting ${files} small drawings with everything that SVG draws with`);
  console.log(`  one of them                  median ${ms(median)}, p95 ${ms(p95)}`);
  console.log(
    `  a process for it started     ${ms(start)} more, ${ratio(start, files * median)} of what reading all of them takes`,
  );
  const { translucent, opaque } = groupTimings(GROUPS);
  console.log(`\nPainting ${GROUPS} groups at 1000 × 1000`);
  console.log(
    `  half-transparent             ${ms(translucent)}: ${ratio(translucent, opaque)} times the same without (${ms(opaque)})`,
  );

  const recoloured = await recolourTimings();
  console.log('\nA painted motif of a megapixel in other inks');
  console.log(
    `  recoloured                   ${ms(recoloured.recolour)}: ${ratio(recoloured.recolour, recoloured.copy)} times copying it; ${ms(recoloured.first)} the first time`,
  );

  console.log('\nOne motif moved and saved, at the server');
  for (const count of [300, 2000]) {
    const moved = scattered(count === 300 ? 299 : count);
    await studio.designs.insert(moved);
    const { save, bare } = await saveTimings(studio, moved);
    console.log(
      `  of ${count} motifs              median ${ms(save.median)}, p95 ${ms(save.p95)}: ${ratio(save.median, bare.median)} times a bare transaction of the same bytes (${ms(bare.median)}, p95 ${ms(bare.p95)})`,
    );
    if (count === 2000)
      console.log(
        `  2,200 of them                the database grows by ${(await growth(studio, moved)).toFixed(2)} times the bytes of their commands`,
      );
  }
  const worked = join(data, 'worked');
  await studio.database.copyTo(join(worked, 'database'));
  cpSync(studio.blobs.folder, join(worked, 'blobs'), { recursive: true });
  const server = await serverTimings(worked, { imports: 500, exports: 100, restMs: 3000 });
  const megabytes = (bytes: number): string => `${Math.round(bytes / 2 ** 20)} MB`;
  console.log('\nA server as a process of its own');
  console.log(`  from its start until ready   ${ms(server.ready)}`);
  console.log(`  memory when idle             ${megabytes(server.idle)}`);
  console.log(
    `  after 500 imports            ${megabytes(server.afterImports)}: ${ratio(server.afterImports, server.idle)} times that; after 100 exports too ${megabytes(server.afterExports)}: ${ratio(server.afterExports, server.idle)} times`,
  );

  const shapes = await tossables(motifs, studio.blobs);
  console.log(
    `\nA toss into a half-drop of 400 × 400 mm with a gap of ${TOSS_GAP} mm, against plain trying for as long; measured in the painting at 4 px per mm\n`,
  );
  // Once to warm up.
  tossed(tossRecipe(40), shapes);
  let first: number | undefined;
  for (const count of [40, 120, 400]) {
    const recipe = tossRecipe(count);
    const { laid, tookMs } = tossed(recipe, shapes);
    const ours = await measured(laid, recipe, tookMs, motifs, studio.blobs);
    const plain = await measured(tried(recipe, shapes, tookMs), recipe, tookMs, motifs, studio.blobs);
    const per = tookMs / (ours.asked * Math.log2(ours.asked));
    first ??= per;
    console.log(`${ours.asked} motifs in ${ms(tookMs)}, per n log n ${ratio(per, first)} times that of the first`);
    for (const [name, one] of [
      ['tossed', ours],
      ['tried ', plain],
    ] as const) {
      console.log(
        `  ${name}  placed ${((one.placed / one.asked) * 100).toFixed(0)} %, covered ${(one.covered * 100).toFixed(1)} %, largest hole ${(2 * one.largestHole).toFixed(1)} mm across, least gap ${one.leastGap.toFixed(2)} mm, uneven ${one.unevenness.toFixed(3)}, equal neighbours ${(one.equalNeighbours * 100).toFixed(0)} %`,
      );
    }
    console.log(
      `  covered ${ratio(ours.covered, plain.covered)} times as much, the largest hole ${ratio(ours.largestHole, plain.largestHole)} of its\n`,
    );
  }
} finally {
  await browser.close();
  await serving.close();
  rmSync(data, { recursive: true, force: true });
}
