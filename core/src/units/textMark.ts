const PRIME = 0x01000193;
const OFFSETS = [0x811c9dc5, 0x9e3779b9] as const;
const LETTERS = 7;

/**
 * Two 32-bit FNV-1a hashes of a text, as 14 letters and digits: names a state or a value, and guards against accidents,
 * not against anyone who means harm. // => textMark("") is "0ztntfp1yslmiz"
 */
export function textMark(text: string): string {
  return OFFSETS.map((offset) => {
    let h: number = offset;
    for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), PRIME);
    return (h >>> 0).toString(36).padStart(LETTERS, "0");
  }).join("");
}
