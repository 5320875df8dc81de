import { TEXTS } from './texts.ts';

/** What SVG that was copied as text begins with; some programs put a declaration, comments or a document type before it. */
const SVG = /^\s*(?:<\?xml[^>]*\?>\s*|<!--[\s\S]*?-->\s*|<!DOCTYPE[^>]*>\s*)*<svg[\s>]/i;

/** The pictures in the system's clipboard, and SVG that was copied as text; none where there is neither. */
export function pastedFiles({ files, text }: { readonly files: Iterable<File>; readonly text: string }): File[] {
  const pictures = [...files].filter(({ type, name }) => type.startsWith('image/') || /\.svgz?$/i.test(name));
  if (pictures.length > 0) return pictures;
  return SVG.test(text) ? [new File([text], `${TEXTS.pastedDrawing}.svg`, { type: 'image/svg+xml' })] : [];
}
