/** What a failed write means to somebody who sees it. */
export function storageReason(error: unknown): string {
  if (error instanceof DOMException && error.name === 'QuotaExceededError')
    return 'The browser’s storage is full. Nothing was written. Remove a site or free disk space, then try again.';
  // What Chromium says where the disk is full before its own limit is reached, or cannot be written at all.
  if (error instanceof DOMException && /IOError|write blobs|disk|No space/i.test(error.message))
    return 'The browser could not write to its storage: the disk is full, or cannot be written. Nothing was written. Free disk space, then try again.';
  if (error instanceof DOMException && error.name === 'NotReadableError')
    return 'A file could not be read: it was moved or changed meanwhile. Nothing was written.';
  if (error instanceof DOMException && error.name === 'InvalidStateError')
    return 'The browser’s storage is not there any more: it was cleared, or another tab took it over. Nothing was written.';
  return `It could not be written: ${error instanceof Error ? error.message : String(error)}. Nothing was changed.`;
}
