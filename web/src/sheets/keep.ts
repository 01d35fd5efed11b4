/** escaped writes a text so that it stays text in a page. */
const escaped = (text: string) => text.replaceAll("&", "&amp;").replaceAll("<", "&lt;");

/** standalone makes a page of its own from what is shown: its style inside, its pictures as data. */
export function standalone(title: string, sheet: HTMLElement, css: string): string {
  const plain = "body { margin: 0; font-family: system-ui, sans-serif; color: #2b1a28; background: #fff; }";
  return `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>${escaped(title)}</title><style>${plain}
${css}</style></head>
<body>${sheet.outerHTML}</body>
</html>
`;
}

/** saveAs hands a text to the browser as a file. */
export function saveAs(name: string, text: string, type = "text/html") {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
