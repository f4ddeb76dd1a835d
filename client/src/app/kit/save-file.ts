/** Hands a file to the browser to keep. */
export function saveFile(name: string, content: Blob): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(content);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}

/** The same for a text. */
export const saveText = (name: string, type: string, text: string): void =>
  saveFile(name, new Blob([text], { type: `${type};charset=utf-8` }));
