/** What browsers that can keep a folder in step have beside the File System Standard. */

/** https://wicg.github.io/file-system-access/, "requestPermission": as far as it is used here. */
interface AskedHandle {
  queryPermission?: (wish: { mode: 'readwrite' }) => Promise<PermissionState>;
  requestPermission?: (wish: { mode: 'readwrite' }) => Promise<PermissionState>;
}

interface Picker {
  showDirectoryPicker?: (wish: { id: string; mode: 'readwrite' }) => Promise<FileSystemDirectoryHandle>;
}

const MODE = { mode: 'readwrite' } as const;

export const canLink = (): boolean => typeof (globalThis as Picker).showDirectoryPicker === 'function';

/** Null where nobody chose one, or the browser has no way to choose. */
export async function chooseFolder(): Promise<FileSystemDirectoryHandle | null> {
  try {
    return (await (globalThis as Picker).showDirectoryPicker?.({ id: 'site', ...MODE })) ?? null;
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return null;
    throw error;
  }
}

/** Whether the folder may be read and written now; `prompt` where the browser would ask. */
export const accessTo = (handle: FileSystemDirectoryHandle & AskedHandle): Promise<PermissionState> =>
  handle.queryPermission?.(MODE) ?? Promise.resolve('granted');

/** Asks; only in answer to a press. */
export const askFor = (handle: FileSystemDirectoryHandle & AskedHandle): Promise<PermissionState> =>
  handle.requestPermission?.(MODE) ?? Promise.resolve('granted');

interface Observer {
  observe: (handle: FileSystemDirectoryHandle, wish: { recursive: boolean }) => Promise<void>;
  disconnect: () => void;
}

/** ms in which several events of one saving come together. */
const TOGETHER = 300;

/**
 * Tells when something in the folder may have changed: by the browser's observer where it has one, and whenever
 * somebody comes back to the window. Gives what ends it.
 */
export function watchFolder(handle: FileSystemDirectoryHandle, changed: () => void): () => void {
  const { FileSystemObserver: Kind } = globalThis as { FileSystemObserver?: new (tell: () => void) => Observer };
  let pause: ReturnType<typeof setTimeout> | undefined;
  const soon = () => {
    clearTimeout(pause);
    pause = setTimeout(changed, TOGETHER);
  };
  const observer = Kind ? new Kind(soon) : null;
  // A folder that cannot be observed is compared when the window is come back to.
  observer?.observe(handle, { recursive: true }).catch(() => undefined);
  const onSight = () => {
    if (document.visibilityState === 'visible') soon();
  };
  window.addEventListener('focus', soon);
  document.addEventListener('visibilitychange', onSight);
  return () => {
    clearTimeout(pause);
    observer?.disconnect();
    window.removeEventListener('focus', soon);
    document.removeEventListener('visibilitychange', onSight);
  };
}
