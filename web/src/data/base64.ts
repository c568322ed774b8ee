/** Pictures as files and as the text that a garden file carries. */
const TYPE = "image/jpeg";
const CHUNK = 0x8000;

/** null when the text is no base64. */
export function jpegOf(base64: string): Blob | null {
  try {
    return new Blob([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], { type: TYPE });
  } catch {
    return null;
  }
}

export async function base64Of(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  const parts: string[] = [];
  for (let i = 0; i < bytes.length; i += CHUNK) parts.push(String.fromCharCode(...bytes.subarray(i, i + CHUNK)));
  return btoa(parts.join(""));
}
