import { renameSync } from 'node:fs';
import type { PaintOutcome, PaintTask } from './paintTasks.ts';
import type { TaskContext } from '../work/tasks.ts';
import { pageBands, type Band } from './pageBands.ts';
import { PaletteFinder, toIndices } from './palette.ts';
import { addPngText, pngSink } from './pngSink.ts';
import { preparePainting } from './preparePainting.ts';
import { proofText, proveFile } from './proveFile.ts';
import { sharpSink } from './sharpSink.ts';
import type { PictureFacts, Sink } from './sink.ts';
import { pageThreads, type StripPainter } from './stripPainter.ts';
import { partOf } from './unfinished.ts';
import { completeXmp } from './xmp.ts';

/** What is not painting, of all the work: the file is read once more. */
const PROVING = 0.1;
/** Pictures of at most so many pixels wait to be written until a palette cannot hold their colours. */
const SMALL = 1 << 24;

/** Paints what is asked for into a file while it is encoded, and proves it. */
export async function paintExport(task: PaintTask, { progress }: TaskContext): Promise<PaintOutcome> {
  const { order, title, file } = task;
  const painting = await preparePainting(task);
  const { width, height, density } = painting.plan;
  const facts: PictureFacts = { width, height, channels: painting.channels, depth: painting.depth, density, title };
  // Written beside and renamed, so that nobody ever downloads half a file.
  const part = partOf(file);
  let peakMemory = 0;
  const begun: StripPainter[] = [];
  const painted = (share: number): void => {
    peakMemory = Math.max(peakMemory, process.memoryUsage.rss());
    progress(share * (1 - PROVING));
  };
  const bands = pageBands(painting, painted, () => {
    const threads = pageThreads(task);
    begun.push(threads);
    return threads;
  });
  let kind: PaintOutcome['kind'];
  try {
    kind = await write(bands, part, facts, order.format);
  } finally {
    for (const threads of begun) await threads.close();
  }
  peakMemory = Math.max(peakMemory, process.memoryUsage.rss());
  const proof = task.prove ? await proveFile(part, painting, order) : undefined;
  if (proof)
    await (order.format === 'png' ? addPngText(part, 'Proof', proofText(proof)) : completeXmp(part, proofText(proof)));
  renameSync(part, file);
  return { width, height, kind, proof, peakMemory: Math.max(peakMemory, process.memoryUsage.rss()) };
}

/**
 * Writes bands into a file while they are painted. A small PNG waits as long as a palette may hold its colours.
 *
 * @returns whether it has a palette
 */
async function write(
  bands: AsyncGenerator<Band>,
  file: string,
  facts: PictureFacts,
  format: PaintTask['order']['format'],
): Promise<'palette' | 'full'> {
  const finder =
    format === 'png' && facts.depth === 8 && facts.width * facts.height <= SMALL
      ? new PaletteFinder(facts.channels)
      : undefined;
  const waiting: Uint8Array[] = [];
  let sink: Sink | undefined;
  try {
    // A band is encoded while the next is painted.
    let encoded = Promise.resolve();
    const encode = async (data: Uint8Array): Promise<void> => {
      await encoded;
      sink ??= await (format === 'png' ? pngSink(file, facts) : sharpSink(file, facts, format));
      encoded = sink.write(data);
      // Told by the next wait, or by the last.
      encoded.catch(() => undefined);
    };
    for await (const { data } of bands) {
      waiting.push(data);
      if (finder?.add(data)) continue;
      for (const one of waiting.splice(0)) await encode(one);
    }
    const palette = waiting.length > 0 ? finder?.palette() : undefined;
    if (palette) sink = await pngSink(file, facts, palette.colours);
    for (const one of waiting) await encode(palette ? toIndices(one, facts.channels, palette) : one);
    await encoded;
    await sink?.end();
    return palette ? 'palette' : 'full';
  } catch (error) {
    await sink?.abandon().catch(() => undefined);
    throw error;
  }
}
