/** Pictures of a gallery as a list for elsewhere. A format is one row of `WRITERS`. */
import { XMLBuilder } from 'fast-xml-parser';
import { writeMarkdown } from './markdown.ts';
import { writeCsv } from './table.ts';

/** Columns that `mappingFor` knows by their names. */
export const LIST_COLUMNS = ['picture', 'thumbnail', 'title', 'alt', 'caption', 'tags'] as const;
export type ListRow = Record<(typeof LIST_COLUMNS)[number], string>;

type Write = (rows: readonly ListRow[]) => string;

const writeJson: Write = (rows) => `${JSON.stringify({ pictures: rows }, null, 2)}\n`;

const writeXml: Write = (rows) => {
  const builder = new XMLBuilder({ format: true, ignoreAttributes: false, suppressEmptyNode: true });
  const written = builder.build({ pictures: { picture: rows } });
  return `<?xml version="1.0" encoding="UTF-8"?>\n${written}`;
};

const WRITERS = {
  csv: (rows) => writeCsv(LIST_COLUMNS, rows),
  json: writeJson,
  xml: writeXml,
  md: writeMarkdown,
} satisfies Record<string, Write>;

export type ListFormat = keyof typeof WRITERS;
export const LIST_FORMATS = Object.keys(WRITERS) as ListFormat[]; // keys of the table

export const writeList = (format: ListFormat, rows: readonly ListRow[]): string => WRITERS[format](rows);
