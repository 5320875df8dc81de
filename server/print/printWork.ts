import { existsSync, rmSync } from 'node:fs';
import { messageOf } from '../../core/problem/index.ts';
import type { ExportOrder } from '../../core/export/index.ts';
import { DEFAULT_TEMPLATE, NO_BLEED } from '../../core/export/index.ts';
import { tileOf } from '../../core/lattice/index.ts';
import { readSource } from '../exports/exportSource.ts';
import { makeFile, type PlannedFile, planFile } from '../exports/makeFile.ts';
import { Problem } from '../problem.ts';
import { hashFile } from '../store/hashFile.ts';
import type { JobContext, Work } from '../store/jobs.ts';
import { changePrintOrder, type KeptPrintOrder, readPrintOrder } from '../store/printOrders.ts';
import { exportFile, type Studio } from '../studio.ts';

/** The kind of the jobs that send orders. */
export const PRINT_JOB = 'print';

/** The file that is sent for an order. */
function printFile({ dpi, format, cloth }: Pick<KeptPrintOrder, 'dpi' | 'format' | 'cloth'>): ExportOrder {
  return {
    format,
    extent: { kind: 'tile' },
    size: { kind: 'density', dpi },
    bleed: NO_BLEED,
    marks: false,
    // What a JPEG cannot leave out is the cloth's own colour, so that it comes out the same.
    ...(format === 'jpeg' && { backdrop: cloth.base }),
  };
}

/** Plans the file of an order. @throws Problem where it cannot be made */
export async function planPrint(
  studio: Studio,
  order: Pick<KeptPrintOrder, 'swatch' | 'version' | 'dpi' | 'format' | 'cloth'>,
): Promise<{ readonly planned: PlannedFile; readonly tile: { readonly width: number; readonly height: number } }> {
  const source = await readSource(studio, { swatch: order.swatch, version: order.version });
  const planned = planFile(studio, source, printFile(order), DEFAULT_TEMPLATE);
  // It lies here and at the print house, which shares this disk.
  await studio.space.require(2 * planned.bytes);
  const { width, height } = tileOf(source.design.repeat);
  return { planned, tile: { width, height } };
}

/** Where the file of an order lies until it is sent. */
const printFileOf = (studio: Pick<Studio, 'exports'>, id: string): string => exportFile(studio, `print-${id}`);

export function removePrintFile(studio: Pick<Studio, 'exports'>, id: string): void {
  rmSync(printFileOf(studio, id), { force: true });
}

/** Makes and sends the file of an order, and places the order; whatever was done before is not done again. */
export function printWork(studio: Studio, id: string): Work {
  return async (context) => {
    const { database } = studio;
    const file = printFileOf(studio, id);
    try {
      await send(studio, await readPrintOrder(database, id), file, context);
      removePrintFile(studio, id);
    } catch (error) {
      // Cancelled, which its row says already; or the server ends and goes on with it at the next start.
      if (context.signal.aborted) throw error;
      const isRefused = error instanceof Problem && error.status === 422;
      const message = error instanceof Problem ? error.message : UNEXPECTED;
      if (!(error instanceof Problem)) process.stderr.write(`Print order ${id}: ${messageOf(error)}\n`);
      await changePrintOrder(database, id, ['making', 'sending'], {
        state: isRefused ? 'refused' : 'interrupted',
        message,
      });
      throw new Problem(502, 'Not sent', message);
    }
    return { order: id };
  };
}

const UNEXPECTED = 'The file could not be sent. Nothing was lost; press Resume.';

async function send(studio: Studio, order: KeptPrintOrder, file: string, context: JobContext): Promise<void> {
  const { database, house } = studio;
  const { id, cloth, metres } = order;
  const { planned, tile } = await planPrint(studio, order);
  if (!existsSync(file)) await makeFile(studio, planned, file, context);
  const sha256 = await hashFile(file);
  const isSame = order.sha256 === sha256;
  context.progress(0);
  const begun = await changePrintOrder(database, id, ['making', 'sending'], {
    state: 'sending',
    sha256,
    // Parts of another file are of no use.
    upload: isSame ? order.upload : null,
  });
  if (!begun) return;
  const upload = await house.upload(
    file,
    begun.upload ?? undefined,
    async (known) => {
      await changePrintOrder(database, id, ['sending'], { upload: known });
    },
    context,
  );
  const placed = await house.place({ reference: id, upload, sha256, ...tile, cloth: cloth.id, metres });
  const { state, message, price, total } = placed;
  const kept = await changePrintOrder(database, id, ['sending'], {
    state: state === 'refused' ? 'refused' : 'sent',
    houseOrder: placed.id,
    message,
    price,
    total,
  });
  // Cancelled while it was being placed.
  if (!kept) await house.cancel(placed.id);
}
