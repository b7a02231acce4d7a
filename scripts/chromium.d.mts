export const CHROMIUM_BUILDS: readonly { name: string; path: string }[];
export function chromiumHere(): string | null;
