/** What whatever was thrown says, to be shown in a sentence. */
export function messageOf(thrown: unknown): string {
  return thrown instanceof Error ? thrown.message : String(thrown);
}
