/**
 * The pictures of an open site: their contents, addresses to show them by, and one size of one picture made ready to
 * be tried.
 */
import type { PictureTask } from '~core/model/index.ts';
import {
  inFormat,
  type Format,
  type Recipe,
  type Rotation,
  rotationBetween,
  type SizeRecipe,
} from '~core/photo/index.ts';
import type { ReadyTask } from '~core/plans/index.ts';
import { mediaTypeOf, nameOf, type FileContent } from '~core/site/index.ts';
import type { EncodedBlob } from '../../workers/encode';
import type { MadePicture } from '../../workers/pictures';
import { analysis, pictures } from '../../workers/start';
import type { Source } from './makePictures';
import { readSmall } from '../store/readSmall';
import type { Store } from '../store/store';

export class SitePictures {
  readonly #store: Store;
  readonly #files: ReadonlyMap<string, FileContent>;
  /** Addresses of small copies, by the hash of the picture. */
  readonly #urls = new Map<string, string>();

  #reading: Promise<unknown> = Promise.resolve();
  readonly #looked: (hash: string) => boolean;

  /**
   * `looked` says whether somebody has looked at a picture: until then a list shows nothing, for it would have to
   * decode the whole.
   */
  constructor(store: Store, files: ReadonlyMap<string, FileContent>, looked: (hash: string) => boolean) {
    this.#store = store;
    this.#files = files;
    this.#looked = looked;
  }

  release(): void {
    for (const url of this.#urls.values()) URL.revokeObjectURL(url);
  }

  /** The content of any file of the site. */
  async blob(path: string): Promise<Blob | null> {
    return (await this.blobs([path]))[0] ?? null;
  }

  /** The contents of files, in the order of their paths. */
  async blobs(paths: readonly string[]): Promise<(Blob | null)[]> {
    const contents = paths.map((path) => this.#files.get(path));
    const hashes = [...new Set(contents.flatMap((content) => (content?.kind === 'binary' ? [content.hash] : [])))];
    const byHash = await this.contents(hashes);
    return contents.map((content) =>
      content?.kind === 'text' ? new Blob([content.text]) : ((content && byHash.get(content.hash)) ?? null),
    );
  }

  /** Contents by their hashes, without those that are missing from the store. */
  async contents(hashes: readonly string[]): Promise<ReadonlyMap<string, Blob>> {
    const found = await this.#stored(hashes);
    return new Map(hashes.flatMap((hash, n): [string, Blob][] => (found[n] ? [[hash, found[n]]] : [])));
  }

  /** A store that has gone holds nothing any more. */
  async #stored(hashes: readonly string[]): Promise<(Blob | undefined)[]> {
    return hashes.length > 0 ? this.#store.readBlobs(hashes).catch(() => []) : [];
  }

  /**
   * The content that a task is made from. What stood in a file's own place before may have been left behind by an
   * archive; then the file as it is.
   */
  async sourceOf({ source, from, rotation, already }: ReadyTask): Promise<Source | null> {
    const [stored] = await this.#stored([source]);
    if (stored) return { blob: stored, rotation };
    const blob = await this.blob(from);
    return blob && { blob, rotation: rotationBetween(already, rotation) };
  }

  /**
   * The address of a small copy, by the picture's hash; null while nobody has looked at it.
   * One is read after the other, so that many answers do not come in one task; `gone` says that its row has scrolled
   * by, and spares the reading.
   */
  glanceUrl(hash: string, gone: AbortSignal): Promise<string | null> {
    if (!this.#looked(hash)) return Promise.resolve(null);
    const url = this.#reading.then(() => (gone.aborted ? null : this.#readUrl(hash)));
    this.#reading = url.catch(() => null);
    return url;
  }

  async #readUrl(hash: string): Promise<string | null> {
    const blob = this.#urls.has(hash) ? null : await readSmall(this.#store, hash).catch(() => null);
    if (blob) this.#urls.set(hash, URL.createObjectURL(blob));
    return this.#urls.get(hash) ?? null;
  }

  /** The address that was made for a picture before, without waiting. */
  knownUrl(hash: string): string | null {
    return this.#urls.get(hash) ?? null;
  }

  /** An address of the whole picture, and how to give it back. */
  async wholeUrl(path: string): Promise<{ url: string; release: () => void } | null> {
    const blob = await this.blob(path);
    if (!blob) return null;
    const url = URL.createObjectURL(typed(path, blob));
    return { url, release: () => URL.revokeObjectURL(url) };
  }

  /** The same of what a picture's files are made from, and how that is rotated already. */
  async originalUrl(path: string): Promise<{ url: string; release: () => void; already: Rotation } | null> {
    const [ready] = await analysis().originalOf(path);
    const source = ready && (await this.sourceOf(ready));
    if (!source) return null;
    const url = URL.createObjectURL(typed(ready.from, source.blob));
    const already = rotationBetween(source.rotation, ready.rotation);
    return { url, release: () => URL.revokeObjectURL(url), already };
  }

  /** Makes one size of a picture ready to be tried at other qualities; gives it uncompressed. */
  async prepareTrials(task: PictureTask, key: string): Promise<{ reference: Blob; width: number; height: number }> {
    const [ready] = await analysis().readyTasks([task]);
    const source = ready && (await this.sourceOf(ready));
    if (!source) throw new Error(`${nameOf(task.from)} is no longer there.`);
    const { focus } = ready;
    return pictures().prepare(key, source.blob, task.from, task.size, { focus, rotation: source.rotation });
  }

  /** Files of one picture in the given sizes, in their order, as they would be made; nothing of them is kept. */
  async sample(
    from: string,
    sizes: readonly { as: string; size: SizeRecipe }[],
    { words, exact }: Pick<Recipe, 'words' | 'exact'>,
  ): Promise<MadePicture[]> {
    const [first] = sizes;
    const [ready] = first ? await analysis().readyTasks([{ from, to: from, times: 1, ...first }]) : [];
    const source = ready && (await this.sourceOf(ready));
    if (!source) throw new Error(`${nameOf(from)} is no longer there.`);
    const nameAt = (n: number) => inFormat(`${n}.jpg`, sizes[n]?.size.format ?? 'jpeg');
    const wanted = sizes.map(({ size }, n) => ({ to: nameAt(n), size, times: 1 }));
    const { focus, said } = ready;
    const { blob, rotation } = source;
    const made = await pictures().make(blob, from, wanted, { focus, rotation, words, said, exact });
    return wanted.flatMap(({ to }) => made.filter((one) => one.to === to));
  }

  /** Null where another picture is looked at meanwhile. */
  trial(key: string, format: Format, quality: number): Promise<EncodedBlob | null> {
    return pictures().trial(key, format, quality);
  }

  /**
   * A page with everything in it that it shows, for where the preview origin does not answer; large pictures are
   * small copies.
   */
  async pageStandingAlone(path: string, nonce: string): Promise<string> {
    const shown = await analysis().picturesShownBy(path);
    const addresses = await Promise.all(
      shown.map(async (one): Promise<[string, string]> => {
        const content = this.#files.get(one);
        const blob = content?.kind === 'binary' ? await readSmall(this.#store, content.hash).catch(() => null) : null;
        return [one, blob ? await dataAddress(typed(one, blob)) : 'data:,'];
      }),
    );
    return analysis().pageStandingAlone(path, addresses, nonce);
  }
}

const typed = (path: string, blob: Blob): Blob => (blob.type ? blob : blob.slice(0, blob.size, mediaTypeOf(path)));

function dataAddress(blob: Blob): Promise<string> {
  return new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(typeof reader.result === 'string' ? reader.result : '');
    reader.onerror = () => fail(reader.error ?? new Error('A picture could not be read.'));
    reader.readAsDataURL(blob);
  });
}
