/** SHA-256 in hexadecimal: the name of a content. Computed by the browser off the main thread. */
export async function contentHash(bytes: ArrayBuffer | Uint8Array<ArrayBuffer>): Promise<string> {
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
  return [...digest].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** 144 random bits for a preview address. */
export function newToken(): string {
  return btoa(String.fromCharCode(...crypto.getRandomValues(new Uint8Array(18))))
    .replaceAll('+', '-')
    .replaceAll('/', '_');
}
