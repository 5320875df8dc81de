// Another client, on a thread of its own: whoever tests may be too busy to see how long an answer took.
import { readFileSync } from 'node:fs';
import { parentPort, workerData } from 'node:worker_threads';

/** How often this thread looks how late it is itself, ms. */
const LOOK_MS = 20;
/** Clock ticks of the kernel's counters, ms: Linux tells user space of hundredths of a second on every machine. */
const TICK_MS = 10;
const { address, everyMs, pid } = workerData;
const took = [];
let slowest = { ms: 0, why: '' };
let isOver = false;
parentPort.once('message', () => (isOver = true));

// Where the machine lets this thread wait, it is not the server that is late.
let late = 0;
let looked = performance.now();
const looking = setInterval(() => {
  const now = performance.now();
  late += Math.max(0, now - looked - LOOK_MS);
  looked = now;
}, LOOK_MS);

/** What the machine under this one took of each processor (proc(5), the eighth number of a line), ms. */
function stolen() {
  return [...readFileSync('/proc/stat', 'utf8').matchAll(/^cpu\d+ (.*)$/gm)].map(
    ([, numbers]) => TICK_MS * Number(numbers.split(' ')[7]),
  );
}

/** What the server's first thread waited for: a processor, as ms; and pages and blocks from the disk, as counts and ms. */
function waits() {
  const [, queued] = readFileSync(`/proc/${pid}/task/${pid}/schedstat`, 'utf8').split(' ');
  const fields = readFileSync(`/proc/${pid}/task/${pid}/stat`, 'utf8')
    .replace(/^.*\) /, '')
    .split(' ');
  return { queued: Number(queued) / 1e6, pages: Number(fields[9]), blocks: TICK_MS * Number(fields[39]) };
}

while (!isOver) {
  const asked = performance.now();
  const [lateBefore, stolenBefore, before] = [late, stolen(), waits()];
  const answer = await fetch(address);
  await answer.arrayBuffer();
  if (answer.status !== 200) throw new Error(`another client was answered with ${answer.status}`);
  const waited = performance.now() - asked;
  // The processor that was taken away may have been the server's.
  const taken = Math.max(...stolen().map((ms, n) => ms - stolenBefore[n]));
  const ms = Math.max(0, waited - Math.max(late - lateBefore, taken));
  took.push(ms);
  if (ms > slowest.ms) {
    const { queued, pages, blocks } = waits();
    const why = `${Math.round(queued - before.queued)} ms queued for a processor, ${pages - before.pages} pages and ${blocks - before.blocks} ms from the disk, ${taken} ms taken by the machine`;
    slowest = { ms, why };
  }
  await new Promise((wait) => setTimeout(wait, Math.max(0, everyMs - waited)));
}
clearInterval(looking);
parentPort.postMessage({ took, why: slowest.why });
