/** A text made short for QR codes: deflated by the browser, in letters of base64. */
export async function packed(text: string): Promise<string> {
  const bytes = await through(new TextEncoder().encode(text), new CompressionStream('deflate-raw'));
  return btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''));
}

/** The text again; rejects what was never packed. */
export async function unpacked(letters: string): Promise<string> {
  const bytes = Uint8Array.from(atob(letters), (letter) => letter.charCodeAt(0));
  return new TextDecoder().decode(await through(bytes, new DecompressionStream('deflate-raw')));
}

async function through(
  bytes: Uint8Array<ArrayBuffer>,
  stream: CompressionStream | DecompressionStream,
): Promise<Uint8Array<ArrayBuffer>> {
  const source = new Blob([bytes]).stream().pipeThrough(stream);
  return new Uint8Array(await new Response(source).arrayBuffer());
}
