// Paints the anemone of the sample collection, a picture of many mixed colours: `npx tsx demo/draw/paintAnemone.ts`.
import { writeFileSync } from 'node:fs';
import { createCanvas, type SKRSContext2D } from '@napi-rs/canvas';
import { seeded } from '../../core/random/index.ts';
import { INKS, type InkName, polar, type P } from './block.ts';

const SIDE = 640;
const MIDDLE: P = [SIDE / 2, SIDE / 2];
const random = seeded(17);
const about = (value: number, by: number): number => value * (1 + (random() - 0.5) * 2 * by);

/** One touch of a loaded brush: a soft-edged blot, darker where the water dried. */
function touch(sheet: SKRSContext2D, [x, y]: P, radius: number, ink: InkName, strength: number): void {
  const blot = sheet.createRadialGradient(x, y, 0, x, y, radius);
  const at = (alpha: number): string =>
    INKS[ink] +
    Math.round(255 * alpha * strength)
      .toString(16)
      .padStart(2, '0');
  blot.addColorStop(0, at(0.5));
  blot.addColorStop(0.75, at(0.72));
  blot.addColorStop(0.92, at(0.9));
  blot.addColorStop(1, at(0));
  sheet.fillStyle = blot;
  sheet.beginPath();
  sheet.arc(x, y, radius, 0, 2 * Math.PI);
  sheet.fill();
}

/** A tentacle from its root outwards: shell colour washed over with another ink, its tip chalk. */
function tentacle(sheet: SKRSContext2D, degrees: number, from: number, to: number, width: number, wash: InkName): void {
  const bend = (random() - 0.5) * 26;
  const steps = 26;
  for (let step = 0; step <= steps; step++) {
    const share = step / steps;
    const at = polar(MIDDLE, degrees + bend * share * share, from + (to - from) * share);
    const radius = width * (1 - 0.55 * share) + 3;
    touch(sheet, at, about(radius, 0.12), 'shell', 0.6);
    touch(sheet, at, about(radius * 0.8, 0.2), wash, 0.1 + 0.35 * (1 - share));
    if (step === steps) touch(sheet, at, radius * 1.15, 'chalk', 0.95);
  }
}

const canvas = createCanvas(SIDE, SIDE);
const sheet = canvas.getContext('2d');
for (let n = 0; n < 26; n++) tentacle(sheet, about(n * (360 / 26), 0.01), 110, about(292, 0.05), 20, 'madder');
for (let n = 0; n < 20; n++)
  tentacle(sheet, about(n * 18 + 8, 0.01), 80, about(222, 0.06), 19, n % 3 === 0 ? 'weld' : 'madder');
for (let n = 0; n < 14; n++) tentacle(sheet, about(n * (360 / 14), 0.02), 46, about(150, 0.06), 17, 'weld');
for (let n = 0; n < 240; n++) {
  const far = 74 * Math.sqrt(random());
  touch(
    sheet,
    polar(MIDDLE, random() * 360, far),
    about(13, 0.4),
    far < 30 ? 'indigo' : random() < 0.5 ? 'kelp' : 'indigo',
    0.5,
  );
}
for (let n = 0; n < 40; n++)
  touch(sheet, polar(MIDDLE, random() * 360, 82 + 6 * random()), about(6, 0.3), 'chalk', 0.55);
writeFileSync(new URL('../motifs/anemone.png', import.meta.url), canvas.toBuffer('image/png'));
