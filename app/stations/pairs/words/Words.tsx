/**
 * Words of pictures as a fast list: alt text and caption in the row, the picture large beside it with all else that
 * is said of it.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useCallback, useMemo, useRef, useState } from 'react';
import {
  isLacking,
  placeKey,
  readCsv,
  wordsFrom,
  wordsTable,
  writeCsv,
  WORDS_COLUMNS,
  type WordsRow,
} from '~core/lists/index.ts';
import type { Intent } from '~core/plans/index.ts';
import { countOf, encodingName, nameOf, readText } from '~core/site/index.ts';
import { save } from '../../../data/export';
import { Nothing, Panel } from '../../../ui/parts/small';
import { RowsTable, type TableColumn } from '../../../ui/parts/table';
import { NO_STRAND, useChosenStrand, useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { Beside } from './Beside';
import { Rights } from './Rights';
import { WordsLine, type LineField } from './WordsLine';
import { besideColumn } from '../../../ui/narrow';

type SetWords = Extract<Intent, { kind: 'set-words' }>;

const ROW = 70;

const BAR = { display: 'flex', gap: 1.5, alignItems: 'center', px: 1.75, py: 1.25, mb: 1.5, flexWrap: 'wrap' } as const;

const COLUMNS = besideColumn(392);

/** Alt text and caption give no order: a row would leave the hand that writes in it. */
const TABLE: readonly TableColumn<WordsRow>[] = [
  { id: 'picture', title: 'Picture', width: '76px' },
  { id: 'name', title: 'Name', width: '150px', order: ({ file }) => nameOf(file) },
  { id: 'alt', title: 'Alt text', width: 'minmax(0, 1fr)' },
  { id: 'caption', title: 'Caption', width: 'minmax(0, 1fr)' },
];

export function Words() {
  const { site, place, go } = useSite();
  const strand = useChosenStrand();
  const { intent, busy } = useIntent();
  const { words, pairs, rights } = site.view;
  const [missingOnly, setMissingOnly] = useState(false);
  const [at, setAt] = useState<string | null>(null);
  const [remarks, setRemarks] = useState<string[]>([]);
  const list = useRef<HTMLDivElement>(null);
  const idle = busy || site.readOnly;
  const shown = useMemo(() => (missingOnly ? words.filter(isLacking) : words), [words, missingOnly]);
  const missing = words.filter(isLacking).length;
  /** The row that was chosen here; once another strand is followed, that one's. */
  const here = shown.find((row) => placeKey(row) === at);
  const followed = strand && shown.find((row) => row.strand === strand.id);
  const isHere = here && (here.strand === null ? place.strand === NO_STRAND : here.strand === strand?.id);
  const chosen = (isHere ? here : followed) ?? here ?? shown[0] ?? null;
  const choose = useCallback(
    (key: string) => {
      setAt(key);
      go({ strand: words.find((row) => placeKey(row) === key)?.strand ?? NO_STRAND });
    },
    [words, go],
  );
  /** The row in hand is one of those that are listed. */
  const filter = (only: boolean) => {
    setMissingOnly(only);
    const first = words.find(isLacking);
    if (only && first && (!chosen || !isLacking(chosen))) choose(placeKey(first));
  };
  const set = useCallback(
    (row: WordsRow, field: LineField, value: string) => {
      if (row.strand !== null)
        intent({ kind: 'set-words', items: [{ strand: row.strand, [field]: value }], pictures: [] });
      else intent({ kind: 'set-words', items: [], pictures: [{ path: row.file, words: { [field]: value } }] });
    },
    [intent],
  );
  /** Enter goes on to the same field of the next row. */
  const last = shown.length - 1;
  const next = useCallback(
    (index: number, field: LineField, show: (index: number) => void) => {
      show(Math.min(index + 1, last));
      requestAnimationFrame(() =>
        list.current?.querySelector<HTMLElement>(`[data-index="${index + 1}"] [data-field="${field}"]`)?.focus(),
      );
    },
    [last],
  );
  if (words.length === 0)
    return (
      <Nothing
        title="No texts yet"
        says="Every picture, on a page or not yet, is listed here with its alt text and caption."
      />
    );
  return (
    <>
      <Panel label="Credits and lists" sx={BAR}>
        <Rights key={`${rights.copyright}\n${rights.credit}`} rights={rights} idle={idle} />
        <FormControlLabel
          control={<Checkbox size="small" checked={missingOnly} onChange={({ target }) => filter(target.checked)} />}
          label={`only the ${missing} without alt text`}
          slotProps={{ typography: { variant: 'body2' } }}
        />
        <AsCsv idle={idle} onRemarks={setRemarks} />
      </Panel>
      {remarks.length > 0 && <Remarks remarks={remarks} onClose={() => setRemarks([])} />}
      <Box sx={COLUMNS}>
        <Panel>
          <Box ref={list}>
            <RowsTable label="Text and credits" columns={TABLE} rows={shown} keyOf={placeKey} rowHeight={ROW}>
              {(row, place, show) => (
                <WordsLine
                  key={placeKey(row)}
                  row={row}
                  columns={TABLE}
                  {...place}
                  chosen={chosen !== null && placeKey(row) === placeKey(chosen)}
                  idle={site.readOnly}
                  onChoose={choose}
                  onSet={set}
                  onNext={next}
                  show={show}
                />
              )}
            </RowsTable>
          </Box>
        </Panel>
        {chosen && (
          <Beside
            key={placeKey(chosen)}
            row={chosen}
            pair={pairs.find((pair) => pair.full === chosen.file || pair.thumbnail === chosen.file) ?? null}
            idle={idle}
          />
        )}
      </Box>
      {shown.length === 0 && <Box sx={{ color: color('stone'), p: 2 }}>Every picture has an alt text.</Box>}
    </>
  );
}

/** The words out into a list and in again; what the list says is told. */
function AsCsv({ idle, onRemarks }: { idle: boolean; onRemarks: (remarks: string[]) => void }) {
  const { site } = useSite();
  const { intent } = useIntent();
  const { words } = site.view;
  const pick = useRef<HTMLInputElement>(null);
  const saveCsv = () =>
    save({
      name: `words-${site.site.name.toLowerCase().replace(/[^\p{L}\d]+/gu, '-')}.csv`,
      blob: new Blob([writeCsv(WORDS_COLUMNS, wordsTable(words))], { type: 'text/csv' }),
    });
  const readList = async (file: File) => {
    const text = readText(new Uint8Array(await file.arrayBuffer()));
    const read = text.ok ? readCsv(text.text) : text;
    const result = read.ok ? wordsFrom(read.table, words) : read;
    if ('reason' in result) return onRemarks([`${file.name}: ${result.reason}`]);
    const asked = intentFor(result.changes, file.name);
    onRemarks([
      ...(text.ok && text.encoding !== 'utf-8' ? [`${file.name} was read as ${encodingName(text.encoding)}.`] : []),
      `${file.name}: ${countOf(result.changes.length, 'row')} with changed texts${asked ? '' : ', nothing to change'}.`,
      ...result.troubles.map(({ row, says }) => `Row ${row}: ${says}.`),
    ]);
    if (asked) intent(asked);
  };
  return (
    <Box sx={{ ml: 'auto', display: 'flex', gap: 0.75 }}>
      <Button size="small" onClick={saveCsv}>
        Save as CSV
      </Button>
      <Button size="small" disabled={idle} onClick={() => pick.current?.click()}>
        Read a CSV…
      </Button>
      <input
        ref={pick}
        type="file"
        accept=".csv,text/csv"
        hidden
        data-pick="words"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          target.value = '';
          if (file) void readList(file);
        }}
      />
    </Box>
  );
}

const REMARKS = { px: 1.75, py: 1, mb: 1.5, fontSize: '0.8125rem', display: 'flex', gap: 2, alignItems: 'start' };

/** What a list that was read in said, line by line. */
function Remarks({ remarks, onClose }: { remarks: readonly string[]; onClose: () => void }) {
  return (
    <Panel label="Result of the list" sx={REMARKS}>
      <Box role="status" sx={{ flex: 1, maxHeight: 120, overflowY: 'auto' }}>
        {remarks.map((line) => (
          <Box key={line}>{line}</Box>
        ))}
      </Box>
      <Button size="small" onClick={onClose}>
        Close
      </Button>
    </Panel>
  );
}

/** Alt text and caption of an item stand in its page; all else is kept with the picture. */
function intentFor(
  changes: readonly {
    row: WordsRow;
    words: Partial<Record<'alt' | 'title' | 'caption' | 'credit' | 'copyright', string>>;
  }[],
  file: string,
): SetWords | null {
  const items: SetWords['items'] = [];
  const pictures = new Map<string, SetWords['pictures'][number]['words']>();
  for (const { row, words } of changes) {
    const { alt, caption, ...about } = words;
    const inPage = { ...(alt === undefined ? {} : { alt }), ...(caption === undefined ? {} : { caption }) };
    if (row.strand !== null && Object.keys(inPage).length > 0) items.push({ strand: row.strand, ...inPage });
    const kept = row.strand === null ? { ...about, ...inPage } : about;
    if (Object.keys(kept).length > 0) pictures.set(row.file, { ...pictures.get(row.file), ...kept });
  }
  if (items.length === 0 && pictures.size === 0) return null;
  return {
    kind: 'set-words',
    items,
    pictures: [...pictures].map(([path, words]) => ({ path, words })),
    label: `Import ${countOf(changes.length, 'row')} of texts from ${file}`,
  };
}
