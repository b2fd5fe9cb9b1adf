import { runs } from '@oat-crock/core/testing';
import fc from 'fast-check';
import { Agent, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import { startOf, testKitchen } from '../testing/kitchen.js';
import { createApp } from './app.js';
import { openApiDocument } from './openapi.js';
import type { Kitchen } from '../kitchen.js';

/** A request that anybody may send. */
interface Sent {
  /** Codes that are described for it. */
  readonly described: readonly string[];
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: Buffer | null;
}

const BATCH = '01J00000000000000000000001';
type Described = Record<string, Record<string, { readonly responses: object }>>;
const OPERATIONS = Object.entries((openApiDocument() as { paths: Described }).paths)
  .flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, { responses }]) => {
      return { path, method: method.toUpperCase(), described: Object.keys(responses) };
    }),
  )
  // A page that joins stays.
  .filter(({ path }) => path !== '/events');

const ids = fc.oneof(
  fc.constantFrom(BATCH, '%E0%A4%A', '%', '%00', '..', '%2e%2e%2f', "'", '1;--', 'x'.repeat(5000), '%F0%9F%A5%9B'),
  fc.string({ maxLength: 12 }).map(encodeURIComponent),
);
const queries = fc.oneof(
  fc.constant(''),
  fc.constantFrom(
    '?after=-1',
    '?after=1e999',
    '?after[]=1&after[x]=2',
    '?%E0%A4%A',
    '?fromMs=9&untilMs=x',
    '?q=%00',
    '?=',
  ),
  fc
    .dictionary(fc.constantFrom('after', 'of', 'methodId', 'q', 'text', 'readings', 'who', 'dry', 'limit'), fc.string())
    .map((query) => `?${new URLSearchParams(query).toString()}`),
);
/** Something like what is sent as a rule, with something wrong within it. */
const almost = fc
  .tuple(fc.constantFrom(startOf(BATCH), { ...startOf(BATCH), body: { type: 'note', text: 'x' } }), fc.jsonValue())
  .chain(([entry, wrong]) =>
    fc
      .constantFrom(...Object.keys(entry), 'body.choices')
      .map((key) =>
        key === 'body.choices'
          ? { entries: [{ ...entry, body: { ...entry.body, choices: wrong, stocks: wrong } }] }
          : { entries: [{ ...entry, [key]: wrong }] },
      ),
  );
const deep = fc.integer({ min: 1, max: 20_000 }).map((n) => '['.repeat(n) + ']'.repeat(n));
const long = fc.constantFrom(1, 4000, 60_000).map((n) => JSON.stringify({ entries: new Array<number>(n).fill(0) }));
const bodies = fc.oneof(
  fc.constant(null),
  fc
    .oneof(
      fc.constantFrom('', '{', '"', 'null', '0', '{"__proto__":1}', '\u0000', '{"entries":{"length":1e9}}'),
      deep,
      long,
    )
    .map((text) => Buffer.from(text)),
  fc.oneof(fc.jsonValue(), almost).map((value) => Buffer.from(JSON.stringify(value))),
  fc.uint8Array({ maxLength: 40 }).map((bytes) => Buffer.from(bytes)),
);
const types = fc.constantFrom(
  ...['application/json', 'application/json', 'application/json', 'application/json; charset=utf-7', 'text/plain'],
  ...['text/csv', 'application/zip', 'image/png', 'application/json; charset="', 'multipart/form-data', ''],
);
const encodings = fc.constantFrom('', '', '', 'gzip', 'br', 'deflate', 'nonsense', 'gzip, gzip', 'true gzip');

const requests: fc.Arbitrary<Sent> = fc
  .record({ of: fc.constantFrom(...OPERATIONS), ids: fc.array(ids, { minLength: 3, maxLength: 3 }), query: queries })
  .chain(({ of, ids: given, query }) =>
    fc
      .tuple(bodies, types, encodings, fc.constantFrom('', '"1"', '"x"', '*'))
      .map(([body, type, encoding, ifMatch]) => {
        let at = 0;
        const isSqueezed = encoding === 'true gzip';
        const headers = {
          ...(type && { 'content-type': type }),
          ...(encoding && { 'content-encoding': isSqueezed ? 'gzip' : encoding }),
          ...(ifMatch && { 'if-match': ifMatch }),
        };
        const path = `/api/v1${of.path.replace(/\{\w+\}/g, () => given[at++ % given.length]!)}${query}`;
        return {
          method: of.method,
          described: of.described,
          path,
          headers,
          body: body && isSqueezed ? gzipSync(body) : body,
        };
      }),
  );

describe('what is sent malformed', () => {
  let kitchen: Kitchen;
  let server: Server;
  const agent = new Agent({ keepAlive: true });
  beforeAll(async () => {
    ({ kitchen } = testKitchen());
    server = createApp(kitchen, null, {
      limits: { each: Infinity, stranger: Infinity, strangers: Infinity, all: Infinity },
    }).listen(0, '127.0.0.1');
    await new Promise((open) => server.once('listening', open));
  });
  afterAll(() => {
    agent.destroy();
    server.closeAllConnections();
    server.close();
    kitchen.events.close();
    kitchen.db.close();
  });

  const send = ({ method, path, headers, body }: Sent) =>
    new Promise<{ status: number; type: string; text: string }>((resolve, reject) => {
      const { port } = server.address() as AddressInfo;
      const length = body && { 'content-length': String(body.length) };
      const sent = request(
        { agent, host: '127.0.0.1', port, method, path, headers: { ...headers, ...length } },
        (answer) => {
          let text = '';
          answer.setEncoding('utf8').on('data', (part: string) => (text += part));
          answer.on('end', () =>
            resolve({ status: answer.statusCode!, type: answer.headers['content-type'] ?? '', text }),
          );
          answer.on('error', reject);
        },
      );
      sent.on('error', reject);
      sent.end(body ?? undefined);
    });

  it('is never an error of the server: each answer is one that is described, and what is refused says why in a problem document', async () => {
    // Throws with what was sent, and what was answered.
    await expectAsync(
      fc.assert(
        fc.asyncProperty(requests, async (sent) => {
          const { status, type, text } = await send(sent);
          const said = `${sent.method} ${sent.path} ${JSON.stringify(sent.headers)}: ${status} ${type} ${text.slice(0, 500)}`;
          if (status >= 500 || !sent.described.includes(String(status))) throw new Error(said);
          if (status < 400) return;
          if (!type.includes('application/problem+json')) throw new Error(said);
          if ((JSON.parse(text) as { status: number }).status !== status) throw new Error(said);
        }),
        { numRuns: runs(1000), seed: 22 },
      ),
    ).toBeResolved();
  }, 600_000);
});
