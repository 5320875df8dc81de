// Another client, on a thread of its own: whoever tests may be too busy to see how long an answer took.
import { parentPort, workerData } from 'node:worker_threads';

/** How often this thread looks how late it is itself, ms. */
const LOOK_MS = 20;
const { address, everyMs } = workerData;
const took = [];
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

while (!isOver) {
  const asked = performance.now();
  const lateBefore = late;
  const answer = await fetch(address);
  await answer.arrayBuffer();
  if (answer.status !== 200) throw new Error(`another client was answered with ${answer.status}`);
  const waited = performance.now() - asked;
  took.push(Math.max(0, waited - (late - lateBefore)));
  await new Promise((wait) => setTimeout(wait, Math.max(0, everyMs - waited)));
}
clearInterval(looking);
parentPort.postMessage(took);
