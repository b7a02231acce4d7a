import { describe, expect, it } from 'vitest';
import { joinUri, removeDotSegments, resolveUri, splitUri } from './uri.ts';

const BASE = 'http://a/b/c/d;p?q';

/** RFC 3986 (2005), §5.4.1 "Normal Examples": every row. */
const NORMAL: [string, string][] = [
  ['g:h', 'g:h'],
  ['g', 'http://a/b/c/g'],
  ['./g', 'http://a/b/c/g'],
  ['g/', 'http://a/b/c/g/'],
  ['/g', 'http://a/g'],
  ['//g', 'http://g'],
  ['?y', 'http://a/b/c/d;p?y'],
  ['g?y', 'http://a/b/c/g?y'],
  ['#s', 'http://a/b/c/d;p?q#s'],
  ['g#s', 'http://a/b/c/g#s'],
  ['g?y#s', 'http://a/b/c/g?y#s'],
  [';x', 'http://a/b/c/;x'],
  ['g;x', 'http://a/b/c/g;x'],
  ['g;x?y#s', 'http://a/b/c/g;x?y#s'],
  ['', 'http://a/b/c/d;p?q'],
  ['.', 'http://a/b/c/'],
  ['./', 'http://a/b/c/'],
  ['..', 'http://a/b/'],
  ['../', 'http://a/b/'],
  ['../g', 'http://a/b/g'],
  ['../..', 'http://a/'],
  ['../../', 'http://a/'],
  ['../../g', 'http://a/g'],
];

/** RFC 3986 (2005), §5.4.2 "Abnormal Examples": every row; the last in its strict form. */
const ABNORMAL: [string, string][] = [
  ['../../../g', 'http://a/g'],
  ['../../../../g', 'http://a/g'],
  ['/./g', 'http://a/g'],
  ['/../g', 'http://a/g'],
  ['g.', 'http://a/b/c/g.'],
  ['.g', 'http://a/b/c/.g'],
  ['g..', 'http://a/b/c/g..'],
  ['..g', 'http://a/b/c/..g'],
  ['./../g', 'http://a/b/g'],
  ['./g/.', 'http://a/b/c/g/'],
  ['g/./h', 'http://a/b/c/g/h'],
  ['g/../h', 'http://a/b/c/h'],
  ['g;x=1/./y', 'http://a/b/c/g;x=1/y'],
  ['g;x=1/../y', 'http://a/b/c/y'],
  ['g?y/./x', 'http://a/b/c/g?y/./x'],
  ['g?y/../x', 'http://a/b/c/g?y/../x'],
  ['g#s/./x', 'http://a/b/c/g#s/./x'],
  ['g#s/../x', 'http://a/b/c/g#s/../x'],
  ['http:g', 'http:g'],
];

describe('resolveUri against RFC 3986 §5.4', () => {
  it.each([...NORMAL, ...ABNORMAL])('%j → %s', (reference, expected) =>
    expect(resolveUri(reference, BASE)).toBe(expected),
  );

  // The platform's URL is the second reference; it reads "http:g" in the lenient way that §5.2.2 mentions.
  it.each([...NORMAL, ...ABNORMAL].filter(([reference]) => reference !== 'http:g' && reference !== '//g'))(
    'as the platform resolves %j',
    (reference) => {
      expect(new URL(reference, BASE).href).toBe(resolveUri(reference, BASE));
    },
  );
});

describe('splitUri', () => {
  it('tells an absent part from an empty one', () => {
    expect(splitUri('a?#')).toEqual({ scheme: undefined, authority: undefined, path: 'a', query: '', fragment: '' });
    expect(joinUri(splitUri('a?#'))).toBe('a?#');
  });
});

describe('removeDotSegments', () => {
  // RFC 3986 §5.2.4, the two examples.
  it.each([
    ['/a/b/c/./../../g', '/a/g'],
    ['mid/content=5/../6', 'mid/6'],
    // The rules of that section, one by one.
    ['../a', 'a'],
    ['./a', 'a'],
    ['.', ''],
    ['..', ''],
    ['/.', '/'],
    ['/a/..', '/'],
    ['/a/.', '/a/'],
    ['a', 'a'],
    ['', ''],
  ])('%s → %s', (path, expected) => expect(removeDotSegments(path)).toBe(expected));
});

describe('a base without a path', () => {
  // RFC 3986 §5.2.3.
  it.each([
    ['http://host', 'a', 'http://host/a'],
    ['http://host', '?a', 'http://host?a'],
    ['mailto:x', 'a', 'mailto:a'],
    ['file:///x', 'a', 'file:///a'],
  ])('%s + %s', (base, reference, expected) => expect(resolveUri(reference, base)).toBe(expected));

  it('is split at the first mark of each kind, over lines too', () => {
    expect(splitUri('//a:b@c/d:e?f?g#h\n#i')).toEqual({
      scheme: undefined,
      authority: 'a:b@c',
      path: '/d:e',
      query: 'f?g',
      fragment: 'h\n#i',
    });
  });
});
