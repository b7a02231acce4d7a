export { mappingFor, picturesOf } from './mapping.ts';
export { LIST_EXTENSIONS, readCsv, readTable, type Table, writeCsv } from './table.ts';
export { isLacking, placeKey, WORDS_COLUMNS, wordsFrom, type WordsRow, wordsTable } from './wordsList.ts';
