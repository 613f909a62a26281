import { useEffect, useRef, type RefObject } from "react";
import { useLocation } from "react-router";

/** After a new page has taken the place of what had the focus, the focus is at its beginning instead of nowhere: what was just made is read out, and Tab goes on from there. */
export function useFocusOnPage(content: RefObject<HTMLElement | null>): void {
  const { pathname } = useLocation();
  const before = useRef(pathname);
  useEffect(() => {
    if (before.current === pathname) return;
    before.current = pathname;
    if (document.activeElement === null || document.activeElement === document.body)
      content.current?.focus({ preventScroll: true });
  }, [pathname, content]);
}
