/** Lists of pictures from elsewhere as one kind of table. A format is one row of `FORMATS`. */
import { XMLParser } from 'fast-xml-parser';
import Papa from 'papaparse';
import { extensionOf, refuse, type Result } from '../site/index.ts';
import { MARKDOWN_COLUMNS, markdownRows } from './markdown.ts';

export interface Table {
  columns: string[];
  rows: Record<string, string>[];
}

type TableRead = Result<{ table: Table }>;

/** More rows than this are no list that somebody keeps by hand. */
const MOST_ROWS = 20_000;

/** RFC 4180, and the semicolons and tabs that spreadsheets write; the first row names the columns. */
export function readCsv(text: string): TableRead {
  const { data, meta, errors } = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim(),
  });
  const [error] = errors.filter(({ type }) => type === 'Quotes' || type === 'FieldMismatch');
  if (error) return refuse(`Line ${(error.row ?? 0) + 2}: ${error.message}`);
  return checked({
    columns: (meta.fields ?? []).filter((name) => name !== ''),
    rows: data.map((row) =>
      Object.fromEntries(
        Object.entries(row).flatMap(([name, value]) => (typeof value === 'string' ? [[name, value]] : [])),
      ),
    ),
  });
}

/** The first array of objects, however deep it stands; values that are no text or number are left out. */
function readJson(text: string): TableRead {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return refuse(`It is not JSON: ${error instanceof Error ? error.message : String(error)}`);
  }
  return fromRecords(firstList(value));
}

/** The first elements that repeat under one parent; attributes and inner elements are columns. */
function readXml(text: string): TableRead {
  try {
    // Entities of a document's own are not read: they could grow without end.
    const parser = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '',
      parseTagValue: false,
      parseAttributeValue: false,
      processEntities: true,
      ignoreDeclaration: true,
      ignorePiTags: true,
      textNodeName: 'text',
    });
    if (/<!DOCTYPE/i.test(text)) return refuse('It declares a document type; save the list without one.');
    const read: unknown = parser.parse(text, true);
    const list = firstList(read);
    return fromRecords(list.length > 0 ? list : onlyRecord(read));
  } catch (error) {
    return refuse(`It is not XML: ${error instanceof Error ? error.message : String(error)}`);
  }
}

/** A list of one: the first element that holds nothing but words. */
function onlyRecord(value: unknown): unknown[] {
  if (typeof value !== 'object' || value === null) return [];
  const inner = Object.values<unknown>({ ...value });
  const isRecord = inner.length > 1 && inner.every((one) => typeof one === 'string');
  return isRecord ? [value] : inner.flatMap((one) => onlyRecord(one)).slice(0, 1);
}

function readMarkdown(text: string): TableRead {
  const rows = markdownRows(text);
  // Columns that no row says anything in would only be asked about.
  const columns = MARKDOWN_COLUMNS.filter((name) => rows.some((row) => row[name] !== ''));
  return checked({ columns, rows });
}

function firstList(value: unknown): unknown[] {
  const queue: unknown[] = [value];
  for (let seen = 0; queue.length > 0 && seen < 10_000; seen++) {
    const next: unknown = queue.shift();
    if (Array.isArray(next)) {
      if (next.some((one) => typeof one === 'object' && one !== null)) return next;
    } else if (typeof next === 'object' && next !== null) queue.push(...Object.values<unknown>({ ...next }));
  }
  return [];
}

function fromRecords(records: readonly unknown[]): TableRead {
  const rows = records.map((record) => {
    const row: Record<string, string> = {};
    const note = (value: unknown, name: string): void => {
      if (typeof value === 'string' || typeof value === 'number') row[name || 'text'] = String(value);
      else if (Array.isArray(value) && value.every((one) => typeof one === 'string')) row[name] = value.join(', ');
      else if (typeof value === 'object' && value !== null && !Array.isArray(value))
        for (const [key, inner] of Object.entries(value)) note(inner, name === '' ? key : `${name}.${key}`);
    };
    note(record, '');
    return row;
  });
  return checked({ columns: [...new Set(rows.flatMap((row) => Object.keys(row)))], rows });
}

function checked(table: Table): TableRead {
  if (table.rows.length === 0 || table.columns.length === 0)
    return refuse(
      'There is no list in it: a first row with the names of the columns and rows below, a list of records, or Markdown items with pictures or links.',
    );
  if (table.rows.length > MOST_ROWS)
    return refuse(`${table.rows.length} rows are more than the ${MOST_ROWS} that a list may have.`);
  return { ok: true, table };
}

const FORMATS: Readonly<Record<string, (text: string) => TableRead>> = {
  csv: readCsv,
  tsv: readCsv,
  txt: readCsv,
  json: readJson,
  xml: readXml,
  md: readMarkdown,
  markdown: readMarkdown,
};

export const LIST_EXTENSIONS = Object.keys(FORMATS);

/** Reads a list by the format that its name ends in. */
export function readTable(path: string, text: string): TableRead {
  const read = FORMATS[extensionOf(path)];
  if (!read) return refuse(`${path} is none of ${LIST_EXTENSIONS.join(', ')}.`);
  return read(text);
}

/**
 * RFC 4180 with the mark that spreadsheets need to read UTF-8. A value that a spreadsheet would compute is quoted by
 * an apostrophe.
 */
export function writeCsv(columns: readonly string[], rows: readonly Record<string, string>[]): string {
  const data = rows.map((row) => columns.map((name) => row[name] ?? ''));
  const lines = Papa.unparse({ fields: [...columns], data }, { newline: '\r\n', escapeFormulae: true });
  return `\ufeff${lines}\r\n`;
}
