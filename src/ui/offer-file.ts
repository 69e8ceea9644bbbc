/** Offers bytes as a file to keep. */
export function offerBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = window.document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** Offers a text as a file to keep. */
export const offerFile = (name: string, type: string, text: string): void =>
  offerBlob(name, new Blob([text], { type }));
