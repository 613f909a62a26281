import { useEffect, useState, type RefObject } from "react";

export interface Size {
  width: number;
  height: number;
}

/** The size that an element has now. */
export function useSize(ref: RefObject<HTMLElement | null>, first: Size): Size {
  const [size, setSize] = useState(first);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: Math.floor(entry.contentRect.width), height: Math.floor(entry.contentRect.height) });
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [ref]);
  return size;
}
