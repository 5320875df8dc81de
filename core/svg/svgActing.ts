import { own } from '../schema/index.ts';
import { everyElement, type XmlElement } from './xmlTree.ts';

/** Elements that run, fetch, move or show something that is no drawing, and what is said where one is left out. */
const ACTING: Readonly<Record<string, string>> = {
  script: 'a script',
  handler: 'a script',
  listener: 'a script',
  animate: 'animation',
  animateTransform: 'animation',
  animateMotion: 'animation',
  animateColor: 'animation',
  set: 'animation',
  audio: 'sound or film',
  video: 'sound or film',
  iframe: 'a web page',
  foreignObject: 'a web page within it',
  flowRoot: 'text that flows in a frame',
};

/** Takes out of a tree whatever is no drawing. @returns what of it would have been seen, each as a phrase */
export function dropActing(root: XmlElement): Set<string> {
  const left = new Set<string>();
  for (const element of everyElement(root)) {
    element.attributes = Object.fromEntries(
      Object.entries(element.attributes).filter(([key]) => !/^on/i.test(key) && key !== 'xml:base' && key !== 'src'),
    );
    element.children = element.children.filter((child) => {
      const phrase = own(ACTING, child.name);
      if (phrase !== undefined && isSeen(child, element)) left.add(phrase);
      return phrase === undefined;
    });
  }
  return left;
}

/** A stand-in for programs of one kind is not seen by others, and neither is an empty frame. */
function isSeen(element: XmlElement, parent: XmlElement): boolean {
  if (element.name !== 'foreignObject' && element.name !== 'flowRoot') return true;
  if (element.attributes['requiredExtensions'] !== undefined || parent.name === 'switch') return false;
  for (const { text, name } of everyElement(element)) if (text.trim() !== '' || /(^|:)img$/.test(name)) return true;
  return false;
}
