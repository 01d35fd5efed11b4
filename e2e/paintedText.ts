/** Painted is a text painted on a canvas, where it lies on the page. */
export interface Painted {
  text: string;
  element: Element;
  box: { left: number; right: number; top: number; bottom: number };
}

interface Recorded {
  text: string;
  /** Its corners in the canvas's own pixels. */
  box: [number, number, number, number];
}

/** recordPaintedText runs in the page before its scripts: it keeps what every canvas has had written on it since it was last cleared. */
export function recordPaintedText() {
  const painted = new WeakMap<HTMLCanvasElement, Recorded[]>();
  const canvases = CanvasRenderingContext2D.prototype;
  const { fillText, clearRect } = canvases;
  canvases.clearRect = function (x, y, width, height) {
    painted.delete(this.canvas);
    clearRect.call(this, x, y, width, height);
  };
  canvases.fillText = function (text, x, y, most) {
    const m = this.measureText(text);
    const to = this.getTransform();
    const corners = [
      [x - m.actualBoundingBoxLeft, y - m.actualBoundingBoxAscent],
      [x + m.actualBoundingBoxRight, y + m.actualBoundingBoxDescent],
    ].map(([px, py]) => to.transformPoint({ x: px, y: py }));
    const list = painted.get(this.canvas) ?? [];
    list.push({ text, box: [Math.min(corners[0].x, corners[1].x), Math.min(corners[0].y, corners[1].y), Math.max(corners[0].x, corners[1].x), Math.max(corners[0].y, corners[1].y)] });
    painted.set(this.canvas, list);
    if (most === undefined) fillText.call(this, text, x, y);
    else fillText.call(this, text, x, y, most);
  };
  (window as unknown as { paintedTexts: () => Painted[] }).paintedTexts = () =>
    [...document.querySelectorAll("canvas")].flatMap((canvas) => {
      const at = canvas.getBoundingClientRect();
      const scale = at.width / (canvas.width || 1);
      return (painted.get(canvas) ?? []).map(({ text, box: [left, top, right, bottom] }) => ({
        text,
        element: canvas,
        box: { left: at.left + left * scale, right: at.left + right * scale, top: at.top + top * scale, bottom: at.top + bottom * scale },
      }));
    });
}
