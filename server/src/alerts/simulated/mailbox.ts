import type { SimulatedLetter } from '@oat-crock/contract';
import { simpleParser } from 'mailparser';
import type { AddressInfo } from 'node:net';
import { SMTPServer } from 'smtp-server';
import type { Letters } from './letters.js';

/** A mail server on this machine that takes every letter and sends none on. */
export interface SimulatedMailbox {
  /** "smtp://127.0.0.1:2525" */
  readonly address: string;
  readonly close: () => Promise<void>;
}

/** Opens a mailbox; `letters` keeps what comes. */
export async function simulatedMailbox(letters: Letters): Promise<SimulatedMailbox> {
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    onData: (stream, session, done) => {
      simpleParser(stream).then(
        ({ subject = '', text = '' }) => {
          const to = session.envelope.rcptTo.map(({ address }) => address).join(', ');
          letters.keep({ way: 'mail', to, subject, text: text.trim() } satisfies Partial<SimulatedLetter>);
          done();
        },
        (error: Error) => done(error),
      );
    },
  });
  const listener = server.listen(0, '127.0.0.1');
  await new Promise<void>((opened, failed) => listener.once('listening', opened).once('error', failed));
  const { port } = listener.address() as AddressInfo;
  return {
    address: `smtp://127.0.0.1:${port}`,
    close: () => new Promise((closed) => server.close(closed)),
  };
}
