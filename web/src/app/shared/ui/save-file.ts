/** Hands some bytes out as a file of the browser's. */
export function saveFile(name: string, content: Blob): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** A name as a file may have it. */
export function fileName(name: string): string {
  return name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-');
}
