/** What can be wrong with an archive, in words for whoever brings it in. */
import * as zip from '@zip.js/zip.js/lib/zip-core-native.js';

const CUT = 'it is damaged or cut short; fetch or make it again';

/** Of the whole archive. */
const ARCHIVE: Record<string, string> = {
  [zip.ERR_BAD_FORMAT]: CUT,
  [zip.ERR_EOCDR_NOT_FOUND]: `${CUT} (its table of contents is missing)`,
  [zip.ERR_EOCDR_LOCATOR_ZIP64_NOT_FOUND]: `${CUT} (its table of contents is missing)`,
  [zip.ERR_CENTRAL_DIRECTORY_NOT_FOUND]: `${CUT} (its table of contents is damaged)`,
  [zip.ERR_SPLIT_ZIP_FILE]: 'it is one part of an archive in several files; join them first',
  [zip.ERR_ENCRYPTED_CENTRAL_DIRECTORY]: 'it is encrypted; unpack it with its password and import the folder',
  [zip.ERR_AMBIGUOUS_ARCHIVE]: 'it has more than one table of contents, and they disagree',
};

const DAMAGED = 'is damaged: its content does not match its checksum';
const UNLIKE = 'is damaged: the table of contents says otherwise than the entry itself';

/** Of one entry, to stand behind its name. */
const ENTRY: Record<string, string> = {
  [zip.ERR_AMBIGUOUS_ARCHIVE]: UNLIKE,
  [zip.ERR_LOCAL_FILE_HEADER_NOT_FOUND]: UNLIKE,
  [zip.ERR_OVERLAPPING_ENTRY]: 'is damaged: it lies over another entry',
  [zip.ERR_ENTRY_DATA_OUT_OF_BOUNDS]: 'is cut short',
  [zip.ERR_INVALID_UNCOMPRESSED_SIZE]: 'is damaged: it unpacks to another size than the archive says',
};

/** What is passed over; every other warning makes an archive one that cannot be trusted. */
const ODD: Record<string, string[]> = {
  [zip.WARNING_APPENDED_DATA]: ['After the end of the archive there are more bytes, which were left out.'],
  [zip.WARNING_PREPENDED_DATA]: ['Before the archive there are more bytes, which were left out.'],
  [zip.WARNING_UNSORTED_CENTRAL_DIRECTORY]: [],
  [zip.WARNING_UNKNOWN_VERSION]: [],
  [zip.WARNING_MALFORMED_EXTRA_FIELD]: [],
  [zip.WARNING_WRAPPED_ENTRIES_COUNT]: [],
};

/** Methods of compression by their numbers (APPNOTE §4.4.5), where somebody may meet them. */
const METHODS: Record<number, string> = {
  1: 'Shrink',
  6: 'Implode',
  9: 'Deflate64',
  12: 'bzip2',
  14: 'LZMA',
  93: 'Zstandard',
  95: 'XZ',
  98: 'PPMd',
};

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

export const saysOfArchive = (error: unknown): string => ARCHIVE[messageOf(error)] ?? CUT;
export const saysOfEntry = (error: unknown): string => ENTRY[messageOf(error)] ?? DAMAGED;
/** What a warning about the archive is told as; undefined where it is more than odd. */
export const isOdd = (warning: string): string[] | undefined => ODD[warning];

/** Why an entry cannot be read, as the table of contents tells; null where nothing is against it. */
export function unreadable(entry: zip.FileEntry): string | null {
  if (entry.encrypted) return 'is encrypted; unpack the archive with its password and import the folder';
  if (entry.symlink) return 'is a link to another file, not a file; import the folder instead';
  const method = entry.compressionMethod;
  if (method === 0 || method === 8) return null;
  return `is packed by a method that cannot be read here (${METHODS[method] ?? `number ${method}`}); pack it again as “Deflate”, or import the folder`;
}
