/** Seals and opens what goes to a browser (RFC 8188); the package has no types of its own. */
declare module 'http_ece' {
  import type { ECDH } from 'node:crypto';
  export function decrypt(
    body: Buffer,
    how: { readonly version: 'aes128gcm'; readonly privateKey: ECDH; readonly authSecret: string },
  ): Buffer;
}
