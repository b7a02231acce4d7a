/** Sooner nobody can tell; ms. */
const TOO_SOON = 2000;

/** How long an upload will still take, from ms and bytes until now; null where nobody can tell. */
export function sayLeft(took: number, bytes: number, of: number): string | null {
  if (took < TOO_SOON || bytes === 0) return null;
  const seconds = Math.ceil((took * (of - bytes)) / bytes / 1000);
  return seconds < 90 ? `${seconds} s left` : `${Math.round(seconds / 60)} min left`;
}
