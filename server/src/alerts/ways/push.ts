import type { PushAddress } from '@oat-crock/contract';
import webPush from 'web-push';
import type { PushKeys } from '../../store/alerts.js';
import type { Send } from './way.js';
import { post } from './webhook.js';

/** A note that was not delivered for so long is of no use any more, s. */
const LIVES_S = 3600;

/** The browser takes no more notes there (RFC 8030, 5). */
const GONE = [404, 410];

/** New keys by which browsers know whose notes they show (VAPID, RFC 8292). */
export const newPushKeys = (): PushKeys => webPush.generateVAPIDKeys();

/**
 * Sends notes to browsers by the service that each of them named (Web Push, RFC 8030), sealed so that only the browser reads them
 * (RFC 8291), in the form that Angular's service worker shows.
 *
 * @param contact whom a service writes to where something is wrong, as a URL (https: or mailto:)
 */
export function pushWay(keys: () => PushKeys, contact: string): Send {
  return async ({ secret }, { id, subject, text, link, hands }) => {
    const [first] = hands;
    const page = hands.length === 1 && first!.batchId !== null ? `/make/${first!.batchId}` : '/today';
    const payload = JSON.stringify({
      notification: {
        ...{ title: subject, body: text, tag: id, icon: 'icons/crock-192.png' },
        data: { link, onActionClick: { default: { operation: 'navigateLastFocusedOrOpen', url: page } } },
      },
    });
    const { endpoint, method, headers, body } = webPush.generateRequestDetails(
      JSON.parse(secret) as PushAddress,
      payload,
      { vapidDetails: { ...keys(), subject: contact }, TTL: LIVES_S, urgency: 'high', contentEncoding: 'aes128gcm' },
    );
    if (method !== 'POST') throw new Error(`web push asks for ${method}`);
    const said = Object.entries(headers).filter(([name]) => name.toLowerCase() !== 'content-length');
    return post(endpoint, body!, Object.fromEntries(said.map(([name, value]) => [name, String(value)])), GONE);
  };
}
