import { describe, expect, it } from 'vitest';
import { INTAKE_LIMITS, judgeIntake } from './intake.ts';

const file = (path: string, bytes = 1) => ({ path, bytes });

describe('what may come in', () => {
  it('loses the one folder around everything', () => {
    expect(judgeIntake([file('kites/index.html'), file('kites/small/a.jpg'), file('kites/.DS_Store')])).toEqual({
      ok: true,
      folder: 'kites',
      accepted: [
        { raw: 'kites/index.html', path: 'index.html' },
        { raw: 'kites/small/a.jpg', path: 'small/a.jpg' },
      ],
      skipped: [
        { path: 'kites/.DS_Store', reason: 'left behind by the operating system or a tool; not part of the site' },
      ],
    });
  });

  it('keeps its folders where there is more than one, or a file beside them', () => {
    for (const paths of [['a/b/x', 'a/b/y'], ['a/x', 'ab/y'], ['a/x', 'y'], ['x']]) {
      const judged = judgeIntake([...paths.map((path) => file(path)), file('folder/')]);
      const folder = paths[0] === 'a/b/x' ? 'a' : '';
      expect(judged).toMatchObject({ ok: true, folder, skipped: [] });
      expect(judged.ok && judged.accepted.map(({ path }) => path)).toEqual(
        paths.map((path) => (folder ? path.slice(2) : path)),
      );
    }
  });

  const MB = 2 ** 20;
  const limits = { files: 2, fileBytes: 10 * MB, totalBytes: 15 * MB };

  it.each([
    [
      [file('a'), file('b'), file('c')],
      '3 files are more than the 2 that a site may have. Choose the folder of the site itself.',
      [],
    ],
    [
      [file('../x')],
      'One file cannot be imported, so nothing was.',
      [{ path: '../x', reason: 'the path leads out of the folder (“..”)' }],
    ],
    [
      [file('a'), file('./a')],
      'One file cannot be imported, so nothing was.',
      [{ path: './a', reason: 'it is a duplicate of “a”' }],
    ],
    [
      [file('/a'), file('/b')],
      '2 files cannot be imported, so nothing was.',
      [
        { path: '/a', reason: 'the path is absolute; only files inside the folder can be imported' },
        { path: '/b', reason: 'the path is absolute; only files inside the folder can be imported' },
      ],
    ],
    [
      [file('a', 11 * MB)],
      'One file cannot be imported, so nothing was.',
      [{ path: 'a', reason: '11 MB is more than the 10 MB that one file may have' }],
    ],
    [[file('a', 9 * MB), file('b', 9 * MB)], '18 MB in all is more than the 15 MB that a site may have.', []],
    [[file('folder/')], 'There is no file in it.', []],
    [[], 'There is no file in it.', []],
  ])('is refused whole, with what is wrong: %j', (files, reason, refused) => {
    expect(judgeIntake(files, limits)).toEqual({ ok: false, reason, refused });
  });

  it('may reach the limits', () => {
    expect(judgeIntake([file('a', 10 * MB), file('b', 5 * MB)], limits).ok).toBe(true);
    expect(INTAKE_LIMITS).toEqual({ files: 20_000, fileBytes: 300 * MB, totalBytes: 4096 * MB });
  });
});
