import { useEffect, useRef, useState } from "react";

/** What a browser's usual text size is, px. */
const USUAL_TEXT = 16;

/**
 * Size of an element in pixels as it is laid out, zero before that; and how many times its usual size the text is that
 * somebody has asked for. What is drawn in pixels is drawn that much larger.
 */
export function useSize<T extends HTMLElement>() {
  const ref = useRef<T>(null);
  const [size, setSize] = useState({ width: 0, height: 0, text: 1 });
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => {
      if (!entry) return;
      const { width, height } = entry.contentRect;
      const root = parseFloat(getComputedStyle(document.documentElement).fontSize);
      setSize({ width, height, text: root > 0 ? root / USUAL_TEXT : 1 });
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return { ref, ...size };
}
