export type Theme = "day" | "night";

const KEY = "ethoscope-theme";

export function storedTheme(): Theme {
  const stored = localStorage.getItem(KEY);
  if (stored === "day" || stored === "night") return stored;
  return matchMedia("(prefers-color-scheme: dark)").matches ? "night" : "day";
}

export function applyTheme(theme: Theme): void {
  document.documentElement.dataset.theme = theme;
}

export function setTheme(theme: Theme): void {
  localStorage.setItem(KEY, theme);
  applyTheme(theme);
}

export function toggleTheme(): Theme {
  const next = document.documentElement.dataset.theme === "night" ? "day" : "night";
  setTheme(next);
  return next;
}

/** Paper is white: what is printed is printed by day. */
export function printByDay(): void {
  window.addEventListener("beforeprint", () => applyTheme("day"));
  window.addEventListener("afterprint", () => applyTheme(storedTheme()));
}
