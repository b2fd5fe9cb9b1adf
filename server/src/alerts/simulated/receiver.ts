import { createServer } from 'node:http';
import { buffer } from 'node:stream/consumers';
import { portOf } from '../../listening.js';
import type { Letters } from './letters.js';

/** Something that takes requests on this machine, as an automatic house or a service for notes of browsers would. */
export interface SimulatedReceiver {
  /** "http://127.0.0.1:8123/bell" */
  readonly address: string;
  readonly close: () => Promise<void>;
}

/** Opens a receiver; `letters` keeps what comes. What is sealed for a browser it cannot read, as no service can. */
export async function simulatedReceiver(letters: Letters): Promise<SimulatedReceiver> {
  const server = createServer((request, response) => {
    void buffer(request).then((body) => {
      const isSealed = request.headers['content-encoding'] === 'aes128gcm';
      const { subject = '', text = '' } = isSealed ? {} : read(body.toString('utf8'));
      letters.keep({ way: isSealed ? 'push' : 'webhook', to: request.url ?? '', subject, text });
      response.writeHead(isSealed ? 201 : 204).end();
    });
  });
  return {
    address: `http://127.0.0.1:${await portOf(server.listen(0, '127.0.0.1'))}/bell`,
    close: () =>
      new Promise((closed) => {
        server.closeAllConnections();
        server.close(() => closed());
      }),
  };
}

function read(body: string): { readonly subject?: string; readonly text?: string } {
  try {
    return JSON.parse(body) as object;
  } catch {
    return { text: body };
  }
}
