/** So many definitions, each of which refers to the next, and a shape that refers to the first. */
export function chainOf(length: number, link: (n: number) => string): string {
  return `<defs>${Array.from({ length }, (_, n) => link(n)).join('')}</defs><rect width="9" height="9" fill="url(#r0)" mask="url(#r0)" clip-path="url(#r0)"/><use href="#r0"/>`;
}

/** What a definition refers to the next with. */
export const LINKS = {
  patterns: (n: number) =>
    `<pattern id="r${n}" width="1" height="1"><rect width="1" height="1" fill="url(#r${n + 1})"/></pattern>`,
  clips: (n: number) => `<clipPath id="r${n}" clip-path="url(#r${n + 1})"><rect width="9" height="9"/></clipPath>`,
  masks: (n: number) => `<mask id="r${n}" style="mask:url('#r${n + 1}')"><rect width="9" height="9"/></mask>`,
  uses: (n: number) => `<g id="r${n}"><use href="#r${n + 1}"/></g>`,
  gradients: (n: number) => `<linearGradient id="r${n}" href="#r${n + 1}"/>`,
} as const;
