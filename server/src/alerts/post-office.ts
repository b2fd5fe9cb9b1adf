import type { Kitchen } from '../kitchen.js';
import { caller, unreached, type Caller } from './caller.js';
import { lettersKept, type Letters } from './simulated/letters.js';
import { simulatedMailbox } from './simulated/mailbox.js';
import { simulatedReceiver } from './simulated/receiver.js';
import { mailWay, type MailSettings } from './ways/mail.js';
import { newPushKeys, pushWay } from './ways/push.js';
import { webhookWay } from './ways/webhook.js';

/** What tells people of hands with no page open, and its stand-ins. */
export interface PostOffice {
  readonly caller: Caller;
  /** Whether letters can be sent. */
  readonly hasMail: boolean;
  readonly pushKey: () => string;
  /** The stand-ins, where there are any. */
  readonly simulated: { readonly letters: Letters; readonly address: string } | null;
  readonly close: () => Promise<void>;
}

/** What a post office is opened with. */
export interface PostOfficeSettings {
  /** How mail is sent; null where it is not. */
  readonly mail: MailSettings | null;
  /** Mail goes to a stand-in, and there is one for requests. */
  readonly isSimulated: boolean;
  readonly machineNow: () => number;
  readonly base: () => string | null;
}

/** Whom a service for notes writes to where something is wrong and no mail was set up: nobody (RFC 2606). */
const NOBODY = 'mailto:nobody@oat-crock.invalid';

/** Opens what tells people of hands; it looks by itself only once its caller is started. */
export async function openPostOffice(
  kitchen: Kitchen,
  { mail, isSimulated, machineNow, base }: PostOfficeSettings,
): Promise<PostOffice> {
  const simulated = isSimulated ? await openStandIns(kitchen) : null;
  const through = simulated ? { server: simulated.mailbox, from: 'Oat Crock <dairy@oat-crock.invalid>' } : mail;
  const letters = through ? mailWay(through) : null;
  const pushKeys = () => kitchen.alerts.pushKeys(newPushKeys);
  const contact = base()?.startsWith('https:') ? base()! : (addressIn(through?.from) ?? NOBODY);
  const ways = { mail: letters?.send ?? null, webhook: webhookWay(machineNow), push: pushWay(pushKeys, contact) };
  const calls = caller(kitchen, { ways, machineNow, base });
  return {
    caller: calls,
    hasMail: letters !== null,
    pushKey: () => pushKeys().publicKey,
    simulated,
    close: async () => {
      await calls.stop();
      letters?.close();
      await simulated?.close();
    },
  };
}

async function openStandIns(kitchen: Kitchen) {
  const { clock, events } = kitchen;
  const told = () => events.tell({ type: 'alerts', unreached: unreached(kitchen) });
  const letters = lettersKept(clock.now, told);
  const [mailbox, receiver] = await Promise.all([simulatedMailbox(letters), simulatedReceiver(letters)]);
  const close = async () => void (await Promise.all([mailbox.close(), receiver.close()]));
  return { letters, address: receiver.address, mailbox: mailbox.address, close };
}

/** "mailto:dairy@mail.example" of "Dairy <dairy@mail.example>". */
function addressIn(from: string | undefined): string | null {
  const address = /([^\s<>]+@[^\s<>]+)/.exec(from ?? '')?.[1];
  return address === undefined ? null : `mailto:${address}`;
}
