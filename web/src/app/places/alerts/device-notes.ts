import { inject, Injectable } from '@angular/core';
import { SwPush } from '@angular/service-worker';
import type { PushAddress } from '@oat-crock/contract/api';

/** Notes that the server sends to this browser (Web Push). */
@Injectable({ providedIn: 'root' })
export class DeviceNotes {
  private readonly push = inject(SwPush, { optional: true });

  /** Whether this browser takes them here: only over HTTPS or on the machine itself, with the page's service worker. */
  readonly canBe = (this.push?.isEnabled ?? false) && 'PushManager' in window;

  /**
   * Where this browser has its notes sent; asks its owner the first time.
   *
   * @param serverPublicKey the server's key (VAPID, base64url)
   * @throws Error where it is not allowed, or the browser's own service for notes is not reached
   */
  async address(serverPublicKey: string): Promise<PushAddress> {
    const { endpoint, keys } = (await this.push!.requestSubscription({ serverPublicKey })).toJSON();
    return { endpoint: endpoint!, keys: { p256dh: keys!['p256dh']!, auth: keys!['auth']! } };
  }
}
