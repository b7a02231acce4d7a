/** Pictures from disk into the site in hand: dropped, pasted or picked. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';
import { color } from '../../ui/theme';
import { useSite } from '../../ui/site/openSite';

interface TakingIn {
  take: (files: readonly File[]) => void;
  /** Files of the site that came in since it was last forgotten. */
  fresh: readonly string[];
  forget: () => void;
}

/** `onTaken` is told as soon as there is something to take; what came of it stands at the foot of the screen. */
export function useImportPictures(
  beside: { page: string; gallery: number | null } | null,
  onTaken: () => void,
): TakingIn {
  const { site } = useSite();
  const { session } = site;
  const [fresh, setFresh] = useState<readonly string[]>([]);
  const latest = useRef({ beside, onTaken });
  useEffect(() => {
    latest.current = { beside, onTaken };
  });
  const take = useCallback(
    (files: readonly File[]) => {
      if (files.length === 0) return;
      void session
        .importPictures(
          files.map((file) => ({ path: file.name, blob: file })),
          latest.current.beside,
        )
        .then((paths) => {
          if (paths.length === 0) return;
          setFresh((before) => [...new Set([...before, ...paths])]);
          latest.current.onTaken();
        });
    },
    [session],
  );
  const forget = useCallback(() => setFresh([]), []);
  return { take, fresh, forget };
}

const picturesIn = (files: Iterable<File>): File[] => [...files].filter(({ type }) => type.startsWith('image/'));

const TARGET = { position: 'relative', flex: 1, minHeight: 360, display: 'flex' } as const;

const OVER = {
  position: 'absolute',
  inset: 0,
  zIndex: 5,
  display: 'grid',
  placeItems: 'center',
  bgcolor: color('heatherWash'),
  opacity: 0.94,
  border: `2px dashed ${color('heather')}`,
  borderRadius: 1,
  fontWeight: 600,
} as const;

/** What lies below takes dropped files anywhere on it, and pasted pictures as long as it is shown. */
export function DropPictures({
  disabled,
  onTake,
  says,
  children,
}: {
  disabled: boolean;
  onTake: (files: readonly File[]) => void;
  says: string;
  children: ReactNode;
}) {
  // Not only pictures: what is none is refused by name, and not passed over in silence.
  const { getRootProps, isDragActive } = useDropzone({
    onDrop: (files) => onTake(files),
    noClick: true,
    noKeyboard: true,
    // Pasted anywhere, and not only here.
    noPaste: true,
    disabled,
  });
  const latest = useRef(onTake);
  useEffect(() => {
    latest.current = onTake;
  });
  useEffect(() => {
    if (disabled) return undefined;
    const paste = (event: ClipboardEvent) => {
      const files = picturesIn(event.clipboardData?.files ?? []);
      // Text that comes with a picture is what an editor shall get.
      if (files.length === 0 || event.clipboardData?.types.includes('text/plain')) return;
      // Nobody else takes them: pictures that come in twice are asked about twice.
      event.preventDefault();
      event.stopPropagation();
      latest.current(files);
    };
    window.addEventListener('paste', paste, true);
    return () => window.removeEventListener('paste', paste, true);
  }, [disabled]);
  return (
    <Box {...getRootProps()} role={undefined} sx={TARGET}>
      {children}
      {isDragActive && (
        <Box aria-hidden sx={OVER}>
          {says}
        </Box>
      )}
    </Box>
  );
}

export function PickPictures({ disabled, onPick }: { disabled: boolean; onPick: (files: readonly File[]) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="image/*"
        multiple
        hidden
        aria-label="Pictures from disk"
        onChange={({ target }) => {
          onPick([...(target.files ?? [])]);
          target.value = '';
        }}
      />
      <Button disabled={disabled} onClick={() => input.current?.click()}>
        From disk…
      </Button>
    </>
  );
}
