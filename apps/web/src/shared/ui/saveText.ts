/** Saves a text as a file of the reader's. */
export function saveText(text: string, name: string, type: string): void {
  saveFile(new Blob([text], { type: `${type};charset=utf-8` }), name);
}

/** Saves bytes as a file of the reader's. */
export function saveFile(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
