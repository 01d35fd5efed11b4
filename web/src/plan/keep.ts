/** standalone makes a page of its own from what is shown: its style inside, its pictures as data. */
export function standalone(title: string, sheet: HTMLElement, css: string): string {
  const copy = sheet.cloneNode(true) as HTMLElement;
  const page = document.implementation.createHTMLDocument(title);
  page.documentElement.lang = "en";
  const style = page.createElement("style");
  style.textContent = `body { margin: 0; font-family: system-ui, sans-serif; color: #2b1a28; background: #fff; }\n${css}`;
  const charset = page.createElement("meta");
  charset.setAttribute("charset", "utf-8");
  page.head.prepend(charset);
  page.head.append(style);
  page.body.append(page.adoptNode(copy));
  return `<!doctype html>\n${page.documentElement.outerHTML}\n`;
}

/** saveAs hands a text to the browser as a file. */
export function saveAs(name: string, text: string) {
  const url = URL.createObjectURL(new Blob([text], { type: "text/html" }));
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
