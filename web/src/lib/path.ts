/** Many small shapes as few paths: a browser draws one path of a thousand rectangles faster than a thousand rectangles. */

export function rectangle(x: number, y: number, width: number, height: number): string {
  return `M${x.toFixed(1)} ${y.toFixed(1)}h${width.toFixed(1)}v${height.toFixed(1)}h${(-width).toFixed(1)}z`;
}

export function upright(x: number, from: number, to: number | string): string {
  return `M${x} ${from}V${to}`;
}

/** Shapes that look alike, joined; in order of first sight. */
export function joined<T>(
  shapes: T[],
  look: (shape: T) => string | null,
  path: (shape: T) => string,
): [string, string][] {
  const parts = new Map<string, string[]>();
  for (const shape of shapes) {
    const key = look(shape);
    if (key === null) continue;
    const part = parts.get(key);
    if (part) part.push(path(shape));
    else parts.set(key, [path(shape)]);
  }
  return [...parts].map(([key, list]) => [key, list.join("")]);
}
