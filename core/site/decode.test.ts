/** Texts in the encodings of the WHATWG Encoding standard, written by Python's codecs. */
import { execFileSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { encodingName, readText } from './decode.ts';

const WORDS = 'file;title\nkite.jpg;Drachen über dem Moor – “Café”, 3 €\n';
const byPython = (text: string, encoding: string): Uint8Array =>
  new Uint8Array(
    execFileSync('python3', [
      '-c',
      'import sys; sys.stdout.buffer.write(sys.argv[1].encode(sys.argv[2]))',
      text,
      encoding,
    ]),
  );

describe('a text that is read', () => {
  it.each([
    ['utf-8', 'utf-8'],
    ['utf-8-sig', 'utf-8'],
    ['utf-16', 'utf-16le'],
    ['utf-16-le', 'utf-16le'],
    ['utf-16-be', 'utf-16be'],
    ['cp1252', 'windows-1252'],
  ])('is recognised in %s', (codec, encoding) => {
    expect(readText(byPython(WORDS, codec))).toEqual({ ok: true, encoding, text: WORDS });
  });

  it.each([
    ['<?xml version="1.0" encoding="windows-1251"?><a>Змей</a>', 'cp1251', 'windows-1251'],
    ['<html><head><meta charset="koi8-r"><title>Змей</title>', 'koi8-r', 'koi8-r'],
    ['<meta http-equiv="Content-Type" content="text/html; charset=iso-8859-2"><p>Łąka', 'iso-8859-2', 'iso-8859-2'],
    ['@charset "shift_jis"; /* 凧 */', 'shift_jis', 'shift_jis'],
  ])('is read as it declares: %s', (text, codec, encoding) => {
    expect(readText(byPython(text, codec))).toEqual({ ok: true, encoding, text });
  });

  it('is believed to be UTF-8 where it is, whatever it declares', () => {
    const text = '<?xml version="1.0" encoding="iso-8859-1"?><a>é</a>';
    expect(readText(byPython(text, 'utf-8'))).toEqual({ ok: true, encoding: 'utf-8', text });
  });

  it('is refused where nobody can tell, and never holds a sign that stands for what was lost', () => {
    for (const bytes of [
      [0x41, 0x81, 0x42],
      [0, 1, 2, 0xff, 0xfe],
      [0xc3, 0x28, 0],
    ]) {
      const read = readText(Uint8Array.from(bytes));
      expect(read.ok ? read.text : '').not.toContain('\ufffd');
      expect(read).toMatchObject({ ok: false, reason: expect.stringContaining('UTF-8') });
    }
    expect(readText(new Uint8Array())).toEqual({ ok: true, encoding: 'utf-8', text: '' });
  });

  it('is called as people know it', () => {
    expect(['windows-1252', 'utf-16le', 'koi8-r'].map(encodingName)).toEqual(['Windows-1252', 'UTF-16LE', 'KOI8-R']);
  });
});
