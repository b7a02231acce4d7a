/** How files come to the host and go: the methods of WebDAV (RFC 4918) that an upload needs. */
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { inBytes } from '../../core/site/index.ts';
import { bodyOf } from './body.ts';
import { encodedPath, parentOf } from './path.ts';
import { etagOf, plain } from './show.ts';
import type { Space } from './space.ts';

interface Asked {
  space: Space;
  /** It ends with a slash where a folder is meant; empty is the root. */
  path: string;
  request: IncomingMessage;
  response: ServerResponse;
}

const isThere = ({ space, path }: Asked): boolean => space.file(path) !== undefined || space.hasFolder(path);

/** §9.7.1 */
async function put(asked: Asked): Promise<void> {
  const { space, path, request, response } = asked;
  if (path === '' || path.endsWith('/') || space.hasFolder(`${path}/`))
    return refuseIt(asked, 405, 'This is a folder.');
  if (!space.hasFolder(parentOf(path))) return refuseIt(asked, 409, 'The folder has to be made first.');
  if (!mayReplace(asked)) return refuseIt(asked, 412, 'The file on the host is another one.');
  const existed = space.file(path) !== undefined;
  const loss = space.loss();
  if (loss === 'part') {
    request.once('data', () => request.socket.destroy());
    // What has no content at all loses the connection as well.
    request.once('end', () => request.socket.destroy());
    return;
  }
  if (!(await space.write(path, request))) {
    const { quota } = space.settings;
    // §11.5
    return plain(
      response,
      507,
      `The host is full: all files may take ${inBytes(quota)}, and hold ${inBytes(space.bytes)}.`,
    );
  }
  if (loss === 'answer') {
    request.socket.destroy();
    return;
  }
  const file = space.file(path);
  response.writeHead(existed ? 204 : 201, file ? { ETag: etagOf(file) } : {}).end();
}

/** RFC 9110 §13.1.1 and §13.1.2, each with one validator or `*`. */
function mayReplace({ space, path, request: { headers } }: Asked): boolean {
  const file = space.file(path);
  const etag = file ? etagOf(file) : null;
  const { 'if-match': match, 'if-none-match': noneMatch } = headers;
  if (match !== undefined && (match === '*' ? etag === null : match !== etag)) return false;
  return noneMatch === undefined || (noneMatch === '*' ? etag === null : noneMatch !== etag);
}

/** §9.3 */
async function mkcol(asked: Asked): Promise<void> {
  const { space, path, request, response } = asked;
  const folder = path.endsWith('/') ? path : `${path}/`;
  if ((await bodyOf(request)) !== '') return plain(response, 415, 'A folder is made without a body.');
  if (path === '' || space.hasFolder(folder) || space.file(folder.slice(0, -1)))
    return plain(response, 405, 'It is there already.');
  if (!space.hasFolder(parentOf(folder))) return plain(response, 409, 'The folder above has to be made first.');
  space.addFolder(folder);
  response.writeHead(201).end();
}

/** §9.6 */
async function remove(asked: Asked): Promise<void> {
  const { space, path, response } = asked;
  const folder = path.endsWith('/') || path === '' ? path : `${path}/`;
  const meant = space.file(path) === undefined && space.hasFolder(folder) ? folder : path;
  if (!isThere({ ...asked, path: meant })) return plain(response, 404, 'There is nothing to delete.');
  await space.remove(meant);
  response.writeHead(204).end();
}

/** §9.1; of all folders at once is refused, as §9.1.1 allows. */
async function propfind(asked: Asked): Promise<void> {
  const { space, path, request, response } = asked;
  const wanted = propertiesOf(await bodyOf(request));
  if (wanted === null) return plain(response, 400, 'The body is no PROPFIND of XML.');
  const depth = request.headers.depth ?? 'infinity';
  if (depth !== '0' && depth !== '1') {
    const says = '<D:error xmlns:D="DAV:"><D:propfind-finite-depth/></D:error>';
    response.writeHead(403, XML).end(`${DECLARED}${says}`);
    return;
  }
  const folder = path === '' || path.endsWith('/') ? path : `${path}/`;
  const one = space.file(path) ? path : folder;
  if (!isThere({ ...asked, path: one })) return plain(response, 404, 'There is no such file or folder.');
  const listed = [one, ...(depth === '1' && space.hasFolder(one) ? space.within(one) : [])];
  const body = listed.map((path) => responseOf(space, path, wanted)).join('');
  response.writeHead(207, XML).end(`${DECLARED}<D:multistatus xmlns:D="DAV:">${body}</D:multistatus>`);
}

const XML = { 'Content-Type': 'application/xml; charset=utf-8' };
const DECLARED = '<?xml version="1.0" encoding="utf-8"?>\n';

/** Properties by their local names; each of the namespace `DAV:`. */
type Properties = ReadonlyMap<string, string>;

function liveProperties(space: Space, path: string): Properties {
  const file = space.file(path);
  if (!file) return new Map([['resourcetype', '<D:collection/>']]);
  return new Map([
    ['resourcetype', ''],
    ['getetag', etagOf(file)],
    ['getcontentlength', String(file.bytes)],
    ['getlastmodified', new Date(file.modified).toUTCString()],
  ]);
}

/** `wanted` is `all` where no properties are named. */
function responseOf(space: Space, path: string, wanted: readonly string[] | 'all'): string {
  const live = liveProperties(space, path);
  const names = wanted === 'all' ? [...live.keys()] : wanted;
  const found = names.filter((name) => live.has(name)).map((name) => `<D:${name}>${live.get(name)}</D:${name}>`);
  const missing = names.filter((name) => !live.has(name)).map((name) => `<D:${name}/>`);
  const stat = (props: readonly string[], status: string) =>
    props.length === 0
      ? ''
      : `<D:propstat><D:prop>${props.join('')}</D:prop><D:status>HTTP/1.1 ${status}</D:status></D:propstat>`;
  return `<D:response><D:href>/${encodedPath(path)}</D:href>${stat(found, '200 OK')}${stat(missing, '404 Not Found')}</D:response>`;
}

/** What a body asks for; all where there is none, null where it is no such body. */
function propertiesOf(body: string): readonly string[] | 'all' | null {
  if (body.trim() === '') return 'all';
  if (XMLValidator.validate(body) !== true) return null;
  const parser = new XMLParser({ removeNSPrefix: true, processEntities: false, ignoreAttributes: true });
  const read: unknown = parser.parse(body);
  const asked = partOf(read, 'propfind');
  if (asked === undefined) return null;
  const named = partOf(asked, 'prop');
  if (typeof named !== 'object' || named === null) return 'all';
  // A name that is no name of XML cannot be answered in XML.
  return Object.keys(named).filter((name) => /^[A-Za-z_][\w.-]*$/.test(name));
}

const partOf = (value: unknown, name: string): unknown =>
  typeof value === 'object' && value !== null ? (Reflect.get(value, name) as unknown) : undefined;

/** What was sent along is not read any more; the connection is not used again. */
function refuseIt({ request, response }: Asked, status: number, says: string): void {
  response.shouldKeepAlive = false;
  plain(response, status, says);
  request.resume();
}

export const METHODS: Readonly<Record<string, (asked: Asked) => Promise<void>>> = {
  PUT: put,
  MKCOL: mkcol,
  DELETE: remove,
  PROPFIND: propfind,
};
