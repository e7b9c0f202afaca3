/** Hands a text to the browser as a file to save. */
export function download(name: string, content: string | Blob, type = ''): void {
  const blob =
    typeof content === 'string' ? new Blob([content], { type: `${type};charset=utf-8` }) : content;
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}
