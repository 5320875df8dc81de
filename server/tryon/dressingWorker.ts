import { workerData } from 'node:worker_threads';
import { exposeStrips } from '../paint/exposeStrips.ts';
import { dressedStrips, type DressingOrder } from './dressedStrips.ts';

exposeStrips(dressedStrips(workerData as DressingOrder));
