// Another client, on a thread of its own: whoever tests may be too busy to see how long an answer took.
import { parentPort, workerData } from 'node:worker_threads';

const { address, everyMs } = workerData;
const took = [];
let isOver = false;
parentPort.once('message', () => (isOver = true));

while (!isOver) {
  const asked = performance.now();
  const answer = await fetch(address);
  await answer.arrayBuffer();
  if (answer.status !== 200) throw new Error(`another client was answered with ${answer.status}`);
  took.push(performance.now() - asked);
  await new Promise((wait) => setTimeout(wait, Math.max(0, everyMs - took.at(-1))));
}
parentPort.postMessage(took);
