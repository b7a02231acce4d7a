/** What is asked of a host to bring it to hold what a site holds, and how what it says is read. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isPagePath } from '../site/index.ts';
import { hostEntries, uploadSteps, type UploadStep } from './index.ts';

const site = (files: Record<string, string>) =>
  new Map(Object.entries(files).map(([path, hash]) => [path, { hash, bytes: 9 }]));
const host = (files: Record<string, string | null>, folders: readonly string[] = []) => ({
  files: new Map(Object.entries(files)),
  folders: new Set(['', ...folders]),
});
const said = (steps: readonly UploadStep[]) => steps.map((step) => `${step.do} ${step.path}`);

describe('an upload', () => {
  it('makes folders from above, sends pages behind what they show, and deletes last', () => {
    const steps = uploadSteps(
      site({ 'index.html': 'i', 'a/b/x.jpg': 'x', 'css/a.css': 'c', 'a/page.html': 'p' }),
      host({ 'old.html': 'o', 'css/a.css': 'other', 'gone/deep/y.jpg': 'y' }, ['css/', 'gone/', 'gone/deep/']),
    );
    expect(said(steps)).toEqual([
      'make folder a/',
      'make folder a/b/',
      'send a/b/x.jpg',
      'send css/a.css',
      'send index.html',
      'send a/page.html',
      'delete old.html',
      'delete folder gone/',
    ]);
  });

  it('sends nothing that the host holds, and what the host does not vouch for', () => {
    expect(uploadSteps(site({ 'a.jpg': 'a' }), host({ 'a.jpg': 'a' }))).toEqual([]);
    expect(said(uploadSteps(site({ 'a.jpg': 'a' }), host({ 'a.jpg': null })))).toEqual(['send a.jpg']);
  });

  it('gives up a name in other capitals before the new one comes', () => {
    expect(said(uploadSteps(site({ 'a.jpg': 'a' }), host({ 'A.JPG': 'a' })))).toEqual(['delete A.JPG', 'send a.jpg']);
  });

  const name = fc.constantFrom('a.html', 'b.jpg', 'c.css', 'x/a.html', 'x/y/b.jpg', 'z/c.js');
  const files = fc.dictionary(name, fc.constantFrom('1', '2', '3'));

  it('brings every host to hold every site, whatever it held', () => {
    fc.assert(
      fc.property(files, files, (wanted, there) => {
        const folders = new Set(
          Object.keys(there).flatMap((path) =>
            path
              .split('/')
              .slice(0, -1)
              .map((_, n, all) => `${all.slice(0, n + 1).join('/')}/`),
          ),
        );
        const held = new Map<string, string>(Object.entries(there));
        const known = new Set(['', ...folders]);
        let pages = false;
        for (const step of uploadSteps(site(wanted), { files: held, folders: known })) {
          const parent = step.path.replace(/\/$/, '').replace(/[^/]*$/, '');
          if (step.do === 'make folder') {
            expect(known.has(parent)).toBe(true);
            known.add(step.path);
          } else if (step.do === 'send') {
            expect(known.has(parent)).toBe(true);
            if (isPagePath(step.path)) pages = true;
            else expect(pages).toBe(false);
            held.set(step.path, wanted[step.path] ?? '');
          } else if (step.do === 'delete') held.delete(step.path);
          else for (const path of held.keys()) if (path.startsWith(step.path)) held.delete(path);
        }
        expect(Object.fromEntries(held)).toEqual(wanted);
      }),
    );
  });
});

describe('what a host says is there', () => {
  const entries = (xml: string) => {
    const read = hostEntries(xml, 'http://kites.example:8080/');
    return read.ok ? read.entries : read.reason;
  };

  /** In the manner of the example of RFC 4918 §9.1.2 and §9.1.5 (from memory), other names. */
  it('is read whatever the prefix, as whole addresses or paths', () => {
    const xml = `<?xml version="1.0" encoding="utf-8"?>
<multistatus xmlns="DAV:">
  <response><href>http://kites.example:8080/</href>
    <propstat><prop><resourcetype><collection/></resourcetype></prop><status>HTTP/1.1 200 OK</status></propstat></response>
  <response><href>/photos</href>
    <propstat><prop><resourcetype><collection/></resourcetype></prop><status>HTTP/1.1 200 OK</status></propstat></response>
  <response><href>/a%20%26%20b.html</href>
    <propstat><prop><resourcetype/><getetag>"abc"</getetag></prop><status>HTTP/1.1 200 OK</status></propstat>
    <propstat><prop><owner/></prop><status>HTTP/1.1 404 Not Found</status></propstat></response>
  <response><href>/0012.txt</href>
    <propstat><prop><getetag>0012</getetag></prop><status>HTTP/1.1 404 Not Found</status></propstat></response>
  <response><href>http://other.example/x</href></response>
</multistatus>`;
    const expected = [
      { path: '', isFolder: true, etag: null },
      { path: 'photos/', isFolder: true, etag: null },
      { path: 'a & b.html', isFolder: false, etag: '"abc"' },
      { path: '0012.txt', isFolder: false, etag: null },
    ];
    expect(entries(xml)).toEqual(expected);
    expect(entries(xml.replaceAll(/<(\/?)(\w)/g, '<$1D:$2').replace('xmlns=', 'xmlns:D='))).toEqual(expected);
  });

  it('may be nothing', () => expect(entries('<D:multistatus xmlns:D="DAV:"/>')).toEqual([]));

  it.each(['', 'no XML', '<html><body>Not found</body></html>', '<a><b></a>'])('%j is no such answer', (xml) =>
    expect(entries(xml)).toMatch(/no answer of WebDAV/),
  );
});
