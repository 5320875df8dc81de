import { exposeStrips } from '../paint/exposeStrips.ts';
import { dressedStrips } from './dressedStrips.ts';

exposeStrips(dressedStrips);
