import benchUrl from '@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-600-normal.woff?url';
import logbookUrl from '@fontsource/caveat/files/caveat-latin-600-normal.woff?url';
import chandlerUrl from '@fontsource/young-serif/files/young-serif-latin-400-normal.woff?url';
import { useQuery } from '@tanstack/react-query';
import type { FontId } from '../../../core/recipe/index.ts';
import { type Letterer, letterOutline } from '../../../core/shapes/index.ts';

const FILES: Readonly<Record<FontId, string>> = { bench: benchUrl, chandler: chandlerUrl, logbook: logbookUrl };

/** Outlines words, once the fonts that ship with the app are there. */
export function useLetterer() {
  return useQuery({
    // The list of the studio's own fonts has the name “fonts”.
    queryKey: ['letterer'],
    staleTime: Infinity,
    queryFn: async (): Promise<Letterer> => {
      const { parse } = await import('opentype.js');
      const fonts = new Map(
        await Promise.all(
          Object.entries(FILES).map(async ([id, url]) => [id, parse(await (await fetch(url)).arrayBuffer())] as const),
        ),
      );
      return (font, text, values) => {
        const found = fonts.get(font);
        return found ? letterOutline(found, text, values) : '';
      };
    },
  });
}
