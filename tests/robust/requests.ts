/** Odd requests on each port of the built server: it answers, or hangs up, and goes on. */
import { spawn } from 'node:child_process';
import { connect } from 'node:net';
import { Count, type Part } from './part.ts';

const PORT = 4690;

const line = (target: string, more = '') => `GET ${target} HTTP/1.1\r\nHost: localhost\r\n${more}\r\n`;

/** As they stand on the wire. */
const ODD: string[] = [
  ...['//', '///', '//a', 'http://[', 'http://', 'http://a b/', '*', '', '/%', '/%zz', '/%00', '/\\..\\..'].map(
    (target) => line(target),
  ),
  ...[
    '/../../etc/passwd',
    '/..%2f..%2fetc',
    '/s/',
    '/s/x',
    '/s/%2e%2e/',
    '/site',
    '/site/',
    '/site/x/pairs.data',
    '/_root.data',
  ].map((target) => line(target)),
  ...['/?'.padEnd(9000, 'a'), `/${'a/'.repeat(5000)}`, `/${'é'.repeat(500)}`, '/\u0000', '/#', '/?#?'].map((target) =>
    line(target),
  ),
  ...[
    'Range: bytes=9-1',
    'Range: bytes=-',
    'Accept-Encoding: br;q=x',
    'If-None-Match: "',
    'If-Modified-Since: never',
    'Content-Length: -1',
    'Content-Length: x',
    'Transfer-Encoding: chunked',
    'Expect: 100-continue',
    'Connection: upgrade\r\nUpgrade: websocket',
    'Cookie: '.padEnd(300_000, 'c'),
    'X: \u0001',
    'Origin: null',
    'Host: two',
  ].map((header) => line('/', `${header}\r\n`)),
  'GET / HTTP/1.1\r\n\r\n',
  'GET / HTTP/1.1\r\nHost: evil.example\r\n\r\n',
  'GET / HTTP/1.1\r\nHost: [\r\n\r\n',
  'GET / HTTP/9.9\r\nHost: localhost\r\n\r\n',
  'GET\r\n\r\n',
  '\r\n\r\n\r\n',
  'PUT / HTTP/1.1\r\nHost: localhost\r\nContent-Length: 3\r\n\r\nabc',
  'POST / HTTP/1.1\r\nHost: localhost\r\nContent-Length: 1000000\r\n\r\nabc',
  'DELETE /site/x HTTP/1.1\r\nHost: localhost\r\n\r\n',
  'CONNECT localhost:1 HTTP/1.1\r\nHost: localhost\r\n\r\n',
  'OPTIONS * HTTP/1.1\r\nHost: localhost\r\n\r\n',
  'TRACE / HTTP/1.1\r\nHost: localhost\r\n\r\n',
  'PRI * HTTP/2.0\r\n\r\nSM\r\n\r\n',
  '\x16\x03\x01\x02\x00\x01\x00\x01\xfc\x03\x03',
  `GET / HTTP/1.1\r\nHost: localhost\r\n${'A: b\r\n'.repeat(5000)}\r\n`,
];

/** Whatever comes back within two seconds. */
function send(port: number, request: string): Promise<string> {
  return new Promise((resolve) => {
    let answer = '';
    const socket = connect(port, '127.0.0.1', () => socket.write(Buffer.from(request, 'utf8')));
    const end = () => {
      socket.destroy();
      resolve(answer);
    };
    socket.setTimeout(700, end);
    socket.on('data', (data) => (answer += data.toString('latin1')));
    socket.on('end', end);
    socket.on('error', end);
  });
}

const answers = async (port: number, path: string): Promise<boolean> => {
  const answer = await fetch(`http://localhost:${port}${path}`).catch(() => null);
  return answer?.status === 200;
};

export const requests: Part = {
  name: 'requests',
  async run() {
    const server = spawn('node', ['build/start.js'], { env: { ...process.env, PORT: String(PORT) }, stdio: 'ignore' });
    try {
      for (let n = 0; n < 100 && !(await answers(PORT, '/mark.svg')); n++)
        await new Promise((done) => setTimeout(done, 100));
      const count = new Count();
      for (const [port, path] of [
        [PORT, '/mark.svg'],
        [PORT + 1, '/boot'],
      ] as const)
        for (const request of ODD) {
          const answer = await send(port, request);
          const told = /\n\s+at |node_modules/.test(answer) ? 'tells its inside' : null;
          const alive =
            (await answers(PORT, '/mark.svg')) && (port === PORT || (await send(port, line('/boot.js'))) !== '');
          count.one(
            alive
              ? told && `${request.slice(0, 40)}: ${told}`
              : `${request.slice(0, 40)}: no answer afterwards on ${port}${path}`,
          );
        }
      return [count.row(`odd requests on two ports, ${ODD.length} each: no answer afterwards, or a stack`)];
    } finally {
      server.kill('SIGKILL');
    }
  },
};
