/** Hands a text or a file to the browser to keep. */
export function download(name: string, content: string | Blob, type = "application/json"): void {
  const url = URL.createObjectURL(typeof content === "string" ? new Blob([content], { type }) : content);
  const a = document.createElement("a");
  a.href = url;
  a.download = name;
  a.click();
  // A large file is still being read when the press is over.
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}
