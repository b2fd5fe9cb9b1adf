/** Longest side of a picture that is sent, px, and how well it is kept. */
const LONGEST_PX = 1280;
const QUALITY = 0.8;

/**
 * A picture as small as a look at it needs: a JPEG of 1280 px at most.
 * @throws where the file is no picture that this browser can read
 */
export async function smaller(picture: Blob): Promise<Blob> {
  const image = await createImageBitmap(picture);
  const scale = Math.min(1, LONGEST_PX / Math.max(image.width, image.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(image.width * scale)),
    Math.max(1, Math.round(image.height * scale)),
  );
  const context = canvas.getContext('2d');
  if (!context) throw new Error('no canvas');
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  image.close();
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
}
