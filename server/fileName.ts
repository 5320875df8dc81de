/** A file name that every system takes. */
export function fileNameOf(name: string, unnamed: string): string {
  return (
    name
      // eslint-disable-next-line no-control-regex -- control characters are among what file systems refuse
      .replace(/[\u0000-\u001f<>:"/\\|?*]+/g, ' ')
      .replace(/\s+/g, ' ')
      .trim()
      .slice(0, 80) || unnamed
  );
}
