/** A file that both sides changed: of texts piece by piece, of all else one of the two. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useMemo, useState } from 'react';
import {
  mergedText,
  mergePieces,
  ownChoice,
  type FolderFile,
  type MergePiece,
  type PieceChoice,
} from '~core/folder/index.ts';
import { changedWords, countOf, isPicturePath, type Piece } from '~core/site/index.ts';
import { useSite } from '../../../ui/site/openSite';
import { useWork } from '../../../ui/site/work';
import { color, MONO } from '../../../ui/theme';

const BUTTON_ROW = { display: 'flex', flexWrap: 'wrap', gap: 0.75 };

const BOX = { px: 1.75, py: 1.25, bgcolor: color('mist'), borderTop: `1px solid ${color('hair')}` };

export function Choice({ file }: { file: FolderFile }) {
  const { here, there, agreed } = file;
  return here?.kind === 'text' && there?.kind === 'text' ? (
    <Pieces
      path={file.path}
      here={here.text}
      there={there.text}
      agreed={agreed?.kind === 'text' ? agreed.text : null}
    />
  ) : (
    <OneOfTwo file={file} />
  );
}

function OneOfTwo({ file: { path, here, there } }: { file: FolderFile }) {
  const { work, busy } = useWork('seen');
  const choose = (choice: 'here' | 'there') => work({ do: 'choose', path, choice });
  return (
    <Box sx={BOX}>
      {isPicturePath(path) && <BothPictures path={path} hasHere={here !== null} hasThere={there !== null} />}
      <Box sx={{ display: 'flex', gap: 0.75 }}>
        <Button disabled={busy} onClick={() => choose('there')}>
          {there === null ? 'Delete it here, too' : 'Use disk version'}
        </Button>
        <Button disabled={busy} onClick={() => choose('here')}>
          {here === null ? 'Delete it on disk, too' : 'Use mine'}
        </Button>
      </Box>
    </Box>
  );
}

const PICTURE = { maxWidth: 180, maxHeight: 120, display: 'block' };

function BothPictures({ path, hasHere, hasThere }: { path: string; hasHere: boolean; hasThere: boolean }) {
  const { session } = useSite().site;
  const [urls, setUrls] = useState<{ here: string | null; there: string | null }>({ here: null, there: null });
  useEffect(() => {
    let made: string[] = [];
    let gone = false;
    void Promise.all([session.pictures.blobs([path]), session.folder.pictureThere(path)]).then(([[here], there]) => {
      if (gone) return;
      const urlOf = (blob: Blob | null | undefined) => (blob ? URL.createObjectURL(blob) : null);
      const both = { here: hasHere ? urlOf(here) : null, there: hasThere ? urlOf(there) : null };
      made = [both.here, both.there].filter((url) => url !== null);
      setUrls(both);
    });
    return () => {
      gone = true;
      made.forEach((url) => URL.revokeObjectURL(url));
    };
  }, [session, path, hasHere, hasThere]);
  return (
    <Box sx={{ display: 'flex', gap: 2, mb: 1 }}>
      {urls.there !== null && <Shown url={urls.there} says="on disk" />}
      {urls.here !== null && <Shown url={urls.here} says="here" />}
    </Box>
  );
}

const Shown = ({ url, says }: { url: string; says: string }) => (
  <Box component="figure" sx={{ m: 0 }}>
    <Box component="img" src={url} alt={`The picture ${says}`} sx={PICTURE} />
    <Box component="figcaption" sx={{ color: color('stone'), fontSize: '0.8125rem' }}>
      {says}
    </Box>
  </Box>
);

interface PiecesProps {
  path: string;
  here: string;
  there: string;
  /** Null where both were never the same. */
  agreed: string | null;
}

const BUTTONS: readonly { choice: PieceChoice; label: string }[] = [
  { choice: 'there', label: 'Use disk version' },
  { choice: 'here', label: 'Use mine' },
  { choice: 'both', label: 'Keep both' },
];

/** What only one side changed is taken; what both changed waits for a choice. */
function Pieces({ path, here, there, agreed }: PiecesProps) {
  const { work, busy } = useWork('seen');
  const pieces = useMemo(() => mergePieces(here, there, agreed), [here, there, agreed]);
  const [choices, setChoices] = useState<ReadonlyMap<number, PieceChoice>>(new Map());
  const text = mergedText(pieces, choices);
  const open = pieces.filter((piece, n) => piece.by === 'both' && !choices.has(n)).length;
  const alone = pieces.filter(({ by }) => by === 'here' || by === 'there').length;
  const all = (choice: PieceChoice) =>
    setChoices(new Map(pieces.flatMap(({ by }, n) => (by === 'both' ? [[n, choice] as const] : []))));
  return (
    <Box sx={BOX}>
      <Box sx={{ color: color('stone'), fontSize: '0.8125rem', mb: 1 }}>
        {`${countOf(open, 'place')} to choose.`}
        {alone > 0 && ` What one side alone changed (${countOf(alone, 'place')}) is taken.`}
      </Box>
      {pieces.map((piece, n) =>
        piece.by === 'same' ? null : (
          <PieceShown
            key={n}
            piece={piece}
            choice={choices.get(n) ?? ownChoice(piece)}
            onChoose={(choice) => setChoices(new Map(choices).set(n, choice))}
          />
        ),
      )}
      <Box sx={{ ...BUTTON_ROW, mt: 1.25 }}>
        <Button
          variant="contained"
          color="primary"
          disabled={busy || text === null}
          onClick={() => text !== null && work({ do: 'choose', path, choice: { text } })}
        >
          {`Merge ${path}`}
        </Button>
        <Button onClick={() => all('there')}>All from disk</Button>
        <Button onClick={() => all('here')}>All mine</Button>
      </Box>
    </Box>
  );
}

const SIDES = { display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 16rem), 1fr))', gap: 1 };

interface PieceProps {
  piece: MergePiece;
  choice: PieceChoice | null;
  onChoose: (choice: PieceChoice) => void;
}

function PieceShown({ piece, choice, onChoose }: PieceProps) {
  const taken = (side: 'here' | 'there') => choice === side || choice === 'both';
  const { removed: there, added: here } = useMemo(
    () => changedWords({ line: piece.line, removed: bare(piece.there), added: bare(piece.here) }),
    [piece],
  );
  return (
    <Box role="group" aria-label={`Line ${piece.line}`} sx={{ mb: 1.25 }}>
      <Box sx={SIDES}>
        <Lines says="on disk" lines={there} taken={taken('there')} />
        <Lines says={`here, line ${piece.line}`} lines={here} taken={taken('here')} />
      </Box>
      <Box sx={{ ...BUTTON_ROW, mt: 0.5 }}>
        {BUTTONS.map(({ choice: one, label }) => (
          <Button key={one} aria-pressed={choice === one} onClick={() => onChoose(one)}>
            {label}
          </Button>
        ))}
      </Box>
    </Box>
  );
}

const LINE = { display: 'block', minHeight: '1.6em' };

const MARK = { color: 'inherit', bgcolor: 'transparent', fontWeight: 700, textDecoration: 'underline' };

const linesStyle = (taken: boolean) =>
  ({
    m: 0,
    p: 0.75,
    fontFamily: MONO,
    fontSize: '0.75rem',
    lineHeight: 1.6,
    whiteSpace: 'pre-wrap',
    overflowWrap: 'anywhere',
    bgcolor: color('paper'),
    color: color(taken ? 'lichen' : 'stone'),
    border: `1px solid ${color(taken ? 'edge' : 'hair')}`,
  }) as const;

/** Lines without their ends. */
const bare = (lines: readonly string[]): string[] => lines.map((line) => line.replace(/\r?\n$/, ''));

interface LinesProps {
  says: string;
  /** Each in pieces, with the words that the other side has otherwise. */
  lines: readonly (readonly Piece[])[];
  taken: boolean;
}

const Lines = ({ says, lines, taken }: LinesProps) => (
  <Box>
    <Box sx={{ color: color('stone'), fontSize: '0.75rem' }}>{taken ? `${says}: taken` : says}</Box>
    <Box component="pre" sx={linesStyle(taken)}>
      {lines.length === 0 && '(nothing)'}
      {lines.map((pieces, n) => (
        <Box component="span" key={n} sx={LINE}>
          {pieces.map(({ text, changed }, at) =>
            changed ? (
              <Box component="mark" key={at} sx={MARK}>
                {text}
              </Box>
            ) : (
              text
            ),
          )}
        </Box>
      ))}
    </Box>
  </Box>
);
