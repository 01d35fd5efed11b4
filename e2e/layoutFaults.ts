/** faultsOfLayout runs in the page and lists every text that is cut off, leaves its pane, or is printed over another. */
export function faultsOfLayout(): string[] {
  const faults: string[] = [];
  const PANES = ".side, .middle, .gauge, .round-room, .answers, .end-columns > div, .stage, .head, .sheet .first > *, .sheet li, .sides, .times";
  const SLACK = 1.5;
  interface Shown {
    text: string;
    element: Element;
    box: { left: number; right: number; top: number; bottom: number };
  }
  const shown: Shown[] = [];

  /** insideOf is the box of a pane without its padding. */
  const insideOf = (pane: Element | null) => {
    if (!pane) return null;
    const box = pane.getBoundingClientRect();
    const style = getComputedStyle(pane);
    return { left: box.left + parseFloat(style.paddingLeft), right: box.right - parseFloat(style.paddingRight) };
  };

  /** seen cuts a box to what its scrolling and hiding ancestors let through, and reports what is hidden for good. */
  const seen = (element: Element, rect: DOMRect, text: string) => {
    const box = { left: rect.left, right: rect.right, top: rect.top, bottom: rect.bottom };
    for (let up: Element | null = element; up; up = up.parentElement) {
      const style = getComputedStyle(up);
      const around = up.getBoundingClientRect();
      if (style.display === "inline") continue;
      if (style.overflowX !== "visible") {
        if (box.right > around.right + SLACK || box.left < around.left - SLACK) faults.push(`“${text}” is cut off at the side of ${up.className || up.tagName}`);
        box.left = Math.max(box.left, around.left);
        box.right = Math.min(box.right, around.right);
      }
      if (style.overflowY !== "visible") {
        const cut = box.bottom > around.bottom + SLACK || box.top < around.top - SLACK;
        if (cut && style.overflowY === "hidden") faults.push(`“${text}” is cut off above or below in ${up.className || up.tagName}`);
        box.top = Math.max(box.top, around.top);
        box.bottom = Math.min(box.bottom, around.bottom);
      }
    }
    return box;
  };

  const walker = document.createTreeWalker(document.querySelector("#root")!, NodeFilter.SHOW_TEXT);
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const element = node.parentElement!;
    const text = node.textContent!.trim();
    if (!text || element.closest(".hidden, title, option, script, style, pre, fieldset[aria-hidden]")) continue;
    const range = document.createRange();
    range.selectNodeContents(node);
    const pane = insideOf(element.closest(PANES));
    for (const rect of range.getClientRects()) {
      if (rect.width < 1 || rect.height < 1) continue;
      if (pane && (rect.right > pane.right + SLACK || rect.left < pane.left - SLACK)) faults.push(`“${text}” leaves its pane`);
      const box = seen(element, rect, text);
      if (box.right - box.left > 1 && box.bottom - box.top > 1) shown.push({ text, element, box });
    }
  }

  for (const field of document.querySelectorAll<HTMLInputElement>("#root input:not([type=range], [type=checkbox], [type=file], [type=number]), #root textarea")) {
    // Its text, without the padding in which its label lies.
    const whole = field.getBoundingClientRect();
    const { paddingTop, paddingBottom } = getComputedStyle(field);
    const rect = new DOMRect(whole.x, whole.y + parseFloat(paddingTop), whole.width, whole.height - parseFloat(paddingTop) - parseFloat(paddingBottom));
    if (field.closest(".hidden") || !field.value || rect.width < 2 || field.tabIndex < 0) continue;
    if (field.scrollWidth > field.clientWidth + 1) faults.push(`the field “${field.value}” shows only a part of it`);
    shown.push({ text: field.value, element: field, box: seen(field, rect, field.value) });
  }

  // What is painted on a canvas. Letters lie on their beads, and a ruler's numbers run off its ends.
  const painted = (window as unknown as { paintedTexts?: () => Shown[] }).paintedTexts?.() ?? [];
  for (const one of painted) {
    const around = one.element.getBoundingClientRect();
    if (one.box.right < around.left || one.box.left > around.right) continue;
    const isRuler = /^\d+$/.test(one.text);
    if (one.text.length < 3 && !isRuler) continue;
    if (!isRuler && (one.box.left < around.left - SLACK || one.box.right > around.right + SLACK || one.box.top < around.top - SLACK || one.box.bottom > around.bottom + SLACK)) {
      faults.push(`“${one.text}” is cut off at the edge of its picture`);
    }
    // Words on two canvases that lie on one another, or on the page above one, must not meet.
    shown.push({ ...one, element: document.createElement("i") });
  }

  shown.sort((a, b) => a.box.top - b.box.top);
  for (const [i, one] of shown.entries()) {
    for (let k = i + 1; k < shown.length && shown[k].box.top < one.box.bottom; k++) {
      const other = shown[k];
      if (one.element.contains(other.element) || other.element.contains(one.element)) continue;
      const across = Math.min(one.box.right, other.box.right) - Math.max(one.box.left, other.box.left);
      const down = Math.min(one.box.bottom, other.box.bottom) - Math.max(one.box.top, other.box.top);
      // Lines of text may share the room between them.
      if (across > SLACK && down > 4) faults.push(`“${one.text}” and “${other.text}” are over each other`);
    }
  }
  return [...new Set(faults)];
}
