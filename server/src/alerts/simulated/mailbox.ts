import { simpleParser } from 'mailparser';
import { SMTPServer } from 'smtp-server';
import { portOf } from '../../listening.js';
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
          letters.keep({ way: 'mail', to, subject, text: text.trim() });
          done();
        },
        (error: Error) => done(error),
      );
    },
  });
  return {
    address: `smtp://127.0.0.1:${await portOf(server.listen(0, '127.0.0.1'))}`,
    close: () => new Promise((closed) => server.close(closed)),
  };
}
