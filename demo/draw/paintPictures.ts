// Paints the pictures that the workshop's shelf begins with: `npx tsx demo/draw/paintPictures.ts`.
import { writeFileSync } from 'node:fs';
import { type Canvas, createCanvas, ImageData, type SKRSContext2D } from '@napi-rs/canvas';
import { step } from '../../core/lattice/index.ts';
import { seeded } from '../../core/random/index.ts';
import { makeTile } from '../../core/tile/index.ts';
import { INKS } from './block.ts';

const [WIDTH, HEIGHT] = [1080, 810];
const random = seeded(29);
const between = (from: number, to: number): number => from + (to - from) * random();
const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;

/** A stroke of a bristle brush: thin hairs beside each other that begin and end unevenly. */
function stroke(sheet: SKRSContext2D, x: number, y: number, length: number, width: number, colour: string): void {
  const bend = between(-0.12, 0.12) * length;
  for (let hair = -width / 2; hair < width / 2; hair += 1.6) {
    sheet.globalAlpha = between(0.25, 0.8);
    sheet.strokeStyle = colour;
    sheet.lineWidth = between(0.8, 2.2);
    const [from, to] = [x - length / 2 + between(-12, 12), x + length / 2 + between(-18, 18)];
    sheet.beginPath();
    sheet.moveTo(from, y + hair);
    sheet.quadraticCurveTo((from + to) / 2, y + hair + bend, to, y + hair + between(-2, 2));
    sheet.stroke();
  }
  sheet.globalAlpha = 1;
}

/** Sky, sea, foam and sand, each in strokes of a few colours. */
function shore(): Canvas {
  const canvas = createCanvas(WIDTH, HEIGHT);
  const sheet = canvas.getContext('2d');
  const bands = [
    { to: 0.24, colours: ['#d9e2dd', '#c7d6d6', '#e9e6d8', '#b9cdd1'], width: 22 },
    { to: 0.55, colours: [INKS.indigo, '#2c5566', '#3f7180', '#1f3f52', '#6f9ca3'], width: 15 },
    { to: 0.64, colours: [INKS.chalk, '#dfe7e2', '#8fb3b5', '#f4efe2'], width: 11 },
    { to: 0.78, colours: ['#a98d68', '#8f7656', '#b79c77', '#7f6a50'], width: 15 },
    { to: 1.02, colours: ['#d8c197', '#cdb283', '#e3d0ab', '#c2a674', '#d9b98b'], width: 17 },
  ];
  let from = 0;
  for (const { to, colours, width } of bands) {
    sheet.fillStyle = colours[0] as string;
    sheet.fillRect(0, from * HEIGHT, WIDTH, (to - from) * HEIGHT + 1);
    for (let n = 0; n < 260; n += 1) {
      const x = between(-60, WIDTH + 60);
      const y = between(from * HEIGHT, to * HEIGHT) + 9 * Math.sin(x / 97);
      stroke(sheet, x, y, between(50, 170), between(width / 2, width), one(colours));
    }
    from = to;
  }
  return canvas;
}

/** A mat of three-stranded rope, row under row, each laid half a strand on and lit from above. */
function rope(): Canvas {
  const canvas = createCanvas(WIDTH, HEIGHT);
  const sheet = canvas.getContext('2d');
  sheet.fillStyle = '#4b3a25';
  sheet.fillRect(0, 0, WIDTH, HEIGHT);
  const [strand, row] = [36, 54];
  for (let j = -1; j * row < HEIGHT + row; j += 1) {
    for (let i = -2; i * strand < WIDTH + strand; i += 1) {
      const [x, y] = [i * strand + (j % 2 === 0 ? 0 : strand / 2), j * row + row / 2];
      sheet.save();
      sheet.translate(x + between(-1.2, 1.2), y + between(-1.2, 1.2));
      sheet.rotate((j % 2 === 0 ? 1 : -1) * 0.62);
      const light = sheet.createLinearGradient(-strand / 2, 0, strand / 2, 0);
      light.addColorStop(0, '#8a6b3c');
      light.addColorStop(0.4, '#e2c48d');
      light.addColorStop(0.7, '#c69f63');
      light.addColorStop(1, '#6d522d');
      sheet.fillStyle = light;
      sheet.beginPath();
      sheet.ellipse(0, 0, strand * 0.5, row * 0.66, 0, 0, 2 * Math.PI);
      sheet.fill();
      for (let fibre = 0; fibre < 16; fibre += 1) {
        sheet.globalAlpha = between(0.15, 0.5);
        sheet.strokeStyle = one(['#5d4525', '#f0dcae', '#a57f47']);
        sheet.lineWidth = between(0.6, 1.4);
        const at = between(-strand * 0.42, strand * 0.42);
        const far = row * 0.6 * Math.sqrt(1 - (2 * at * at) / (strand * strand));
        sheet.beginPath();
        sheet.moveTo(at, -far);
        sheet.lineTo(at + between(-3, 3), far);
        sheet.stroke();
      }
      sheet.restore();
    }
  }
  return canvas;
}

/** Pebbles over each other, each a rounded stone with its shadow, its light and a few specks. */
function pebbles(): Canvas {
  const canvas = createCanvas(WIDTH, HEIGHT);
  const sheet = canvas.getContext('2d');
  sheet.fillStyle = '#3d3a36';
  sheet.fillRect(0, 0, WIDTH, HEIGHT);
  const tones = ['#8f8a80', '#a89f8f', '#6f7478', '#c3b6a0', '#7d6a5d', '#b98d74', '#52606a', '#d6cdbb'];
  for (let n = 0; n < 2400; n += 1) {
    const size = between(14, 38) * (1.25 - n / 4200);
    sheet.save();
    sheet.translate(between(-20, WIDTH + 20), between(-20, HEIGHT + 20));
    sheet.rotate(between(0, Math.PI));
    const outline = (grow: number): void => {
      sheet.beginPath();
      sheet.ellipse(0, 0, size * grow, size * 0.74 * grow, 0, 0, 2 * Math.PI);
    };
    sheet.globalAlpha = 0.55;
    sheet.fillStyle = '#1d1b19';
    outline(1.12);
    sheet.fill();
    sheet.globalAlpha = 1;
    const stone = sheet.createRadialGradient(-size * 0.3, -size * 0.3, size * 0.1, 0, 0, size * 1.1);
    const tone = one(tones);
    stone.addColorStop(0, '#efe7d8');
    stone.addColorStop(0.25, tone);
    stone.addColorStop(1, '#4a4640');
    sheet.fillStyle = stone;
    outline(1);
    sheet.fill();
    sheet.clip();
    for (let speck = 0; speck < 26; speck += 1) {
      sheet.globalAlpha = between(0.1, 0.4);
      sheet.fillStyle = one(['#ffffff', '#2b2926', tone]);
      sheet.fillRect(between(-size, size), between(-size, size), between(1, 3), between(1, 3));
    }
    sheet.restore();
  }
  return canvas;
}

for (const [name, paint] of [
  ['painted-shore', shore],
  ['woven-rope', rope],
  ['pebbles', pebbles],
] as const)
  writeFileSync(new URL(`../pictures/${name}.jpg`, import.meta.url), paint().toBuffer('image/jpeg', 84));

/** A tile as one might have bought it: a half-drop of rope that is seamless, but for a stray column along its right edge. */
function brokenTile(): void {
  const canvas = rope();
  const { width, height } = canvas;
  const { data } = canvas.getContext('2d').getImageData(0, 0, width, height);
  const frame = { x: width / 2, y: height / 2, width: 300, height: 240, rotation: 0 };
  const way = { kind: 'joined', step: step('half-drop'), overlap: 0.2, spread: true, even: false } as const;
  const { pixels } = makeTile({ width, height, data }, { frame, width: 40, way });
  const sheet = createCanvas(pixels.width + 1, pixels.height);
  const context = sheet.getContext('2d');
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, sheet.width, sheet.height);
  context.putImageData(new ImageData(pixels.data, pixels.width, pixels.height), 0, 0);
  writeFileSync(new URL('../pictures/broken-tile.png', import.meta.url), sheet.toBuffer('image/png'));
}

brokenTile();
