import { useEffect, useLayoutEffect, useRef, useState, type RefObject } from "react";

export interface CanvasSize {
  width: number;
  height: number;
}

/**
 * useCanvas keeps a canvas as sharp and as large as its place, and redraws it when
 * draw changes. One that is drawn later leaves the figures their turn first: it
 * follows within the same frame.
 */
export function useCanvas(draw: (ctx: CanvasRenderingContext2D, size: CanvasSize) => void, later = false): { ref: RefObject<HTMLCanvasElement | null>; size: CanvasSize } {
  const ref = useRef<HTMLCanvasElement>(null);
  const [size, setSize] = useState<CanvasSize>({ width: 0, height: 0 });

  useLayoutEffect(() => {
    const canvas = ref.current!;
    const measure = () => setSize({ width: canvas.clientWidth, height: canvas.clientHeight });
    const observer = new ResizeObserver(measure);
    observer.observe(canvas);
    measure();
    return () => observer.disconnect();
  }, []);

  useLayoutEffect(() => {
    const redraw = () => drawOn(ref.current!, size, draw);
    if (size.width === 0 || size.height === 0) return;
    if (!later) {
      redraw();
      return;
    }
    const frame = requestAnimationFrame(redraw);
    return () => cancelAnimationFrame(frame);
  }, [draw, size, later]);

  // Letters painted before their font came are painted again.
  useEffect(() => {
    let gone = false;
    void document.fonts.ready.then(() => {
      if (!gone) setSize((s) => ({ ...s }));
    });
    return () => {
      gone = true;
    };
  }, []);
  return { ref, size };
}

function drawOn(canvas: HTMLCanvasElement, size: CanvasSize, draw: (ctx: CanvasRenderingContext2D, size: CanvasSize) => void) {
  const ratio = Math.max(1, window.devicePixelRatio || 1);
  const width = Math.round(size.width * ratio);
  const height = Math.round(size.height * ratio);
  if (canvas.width !== width || canvas.height !== height) {
    canvas.width = width;
    canvas.height = height;
  }
  const ctx = canvas.getContext("2d")!;
  ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
  ctx.clearRect(0, 0, size.width, size.height);
  draw(ctx, size);
}
