export { type Difference, differencesOf, type ShownItem, type TakenRow, takenRow, wantedOrder } from './differences.ts';
export { type Listed, type ListedPicture, mappingFor, picturesOf } from './mapping.ts';
export { LIST_EXTENSIONS, readCsv, readTable, type Table, writeCsv } from './table.ts';
export { LIST_FORMATS, type ListFormat, type ListRow, writeList } from './written.ts';
export { isLacking, placeKey, WORDS_COLUMNS, wordsFrom, type WordsRow, wordsTable } from './wordsList.ts';
