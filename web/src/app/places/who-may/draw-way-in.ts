import { toString as drawCode } from 'qrcode';

/** An address as a picture that a camera reads, as the address of that picture. */
export async function drawWayIn(address: string): Promise<string> {
  const svg = await drawCode(address, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' });
  return `data:image/svg+xml,${encodeURIComponent(svg)}`;
}
