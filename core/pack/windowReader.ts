/** Reads an archive through a window, for its entries stand one behind the other and a reading of a blob is slow. */
import { Reader } from '@zip.js/zip.js/lib/zip-core-native.js';

/** In bytes. */
const WINDOW = 2 ** 20;

export class WindowReader extends Reader<Blob> {
  readonly #archive: Blob;
  #from = 0;
  #window = new Uint8Array(0);

  constructor(archive: Blob) {
    super(archive);
    this.#archive = archive;
    this.size = archive.size;
  }

  override async readUint8Array(index: number, length: number): Promise<Uint8Array> {
    const end = Math.min(index + length, this.size);
    if (length > WINDOW) return this.#read(index, end);
    if (index < this.#from || end > this.#from + this.#window.length) {
      this.#window = await this.#read(index, Math.min(index + WINDOW, this.size));
      this.#from = index;
    }
    return this.#window.slice(index - this.#from, end - this.#from);
  }

  async #read(from: number, to: number): Promise<Uint8Array<ArrayBuffer>> {
    return new Uint8Array(await this.#archive.slice(from, to).arrayBuffer());
  }
}
