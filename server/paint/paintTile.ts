import { renameSync } from 'node:fs';
import sharp from 'sharp';
import { pixelGrid } from '../../core/lattice/index.ts';
import { cellWindow, paintingPlane, tileFromCell } from '../../core/paint/index.ts';
import { Blobs } from '../store/blobs.ts';
import type { PaintOutcome, PaintTask, TaskContext } from '../work/tasks.ts';
import { loadScene } from './loadScene.ts';
import { nodeSurface, type NodeSurface } from './nodeBackend.ts';

/** The painting's share of the whole; the rest is writing the file. */
const PAINTING = 0.6;
/** Rows read back at a time, so that the cell is never held twice as RGBA. */
const BAND = 256;

/** Paints the cell, lays the tile out from it, and writes that as a PNG with its density. */
export async function paintTile(
  { design, motifs, blobs, scale, density, file }: PaintTask,
  { progress }: TaskContext,
): Promise<PaintOutcome> {
  const { scene, backend } = await loadScene(design, motifs, new Blobs(blobs));
  const grid = pixelGrid(design.repeat, scale);
  const sheet = nodeSurface(grid.cell.width, grid.cell.height);
  for (const share of paintingPlane(sheet.context, { scene, grid, window: cellWindow(grid) }, backend)) {
    progress(share * PAINTING);
  }
  const channels = scene.ground ? 3 : 4;
  const cell = packed(sheet, channels);
  const painted = process.memoryUsage.rss();
  sheet.resize(1, 1);
  const unit = tileFromCell(cell, grid, channels);
  const { width, height } = grid.tile;
  progress(PAINTING + 0.1);
  const laid = process.memoryUsage.rss();
  // Written beside and renamed, so that nobody ever downloads half a file.
  await sharp(unit, { raw: { width, height, channels }, limitInputPixels: false })
    .png({ compressionLevel: 6 })
    .withMetadata({ density })
    .toFile(`${file}.part`);
  renameSync(`${file}.part`, file);
  return { width, height, peakMemory: Math.max(painted, laid, process.memoryUsage.rss()) };
}

/** The sheet's pixels, tightly packed, with or without their alpha. */
function packed({ canvas }: NodeSurface, channels: 3 | 4): Uint8Array {
  const { width, height } = canvas;
  const out = new Uint8Array(width * height * channels);
  const context = canvas.getContext('2d');
  for (let y = 0; y < height; y += BAND) {
    const rows = Math.min(BAND, height - y);
    const { data } = context.getImageData(0, y, width, rows);
    const at = y * width * channels;
    if (channels === 4) {
      out.set(data, at);
      continue;
    }
    for (let i = 0, o = at; i < data.length; i += 4, o += 3) {
      out[o] = data[i] as number;
      out[o + 1] = data[i + 1] as number;
      out[o + 2] = data[i + 2] as number;
    }
  }
  return out;
}
