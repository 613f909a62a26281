/** Talks to the JSON API. Every failure becomes an ApiError with a sentence that can be shown. */

export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly field?: string,
  ) {
    super(message);
  }
}

interface ErrorBody {
  error?: { code?: string; message?: string; field?: string };
}

async function answerOf<T>(response: Response): Promise<T> {
  const body: unknown = await response.json().catch(() => null);
  if (response.ok) return body as T;
  const error = (body as ErrorBody | null)?.error;
  throw new ApiError(
    response.status,
    error?.code ?? "unknown",
    error?.message ?? `The server answered ${response.status}.`,
    error?.field,
  );
}

async function send(path: string, init?: RequestInit): Promise<Response> {
  try {
    return await fetch(`/api${path}`, init);
  } catch {
    throw new ApiError(0, "offline", "Ethoscope does not answer. Is it still running?");
  }
}

export async function get<T>(path: string): Promise<T> {
  return answerOf<T>(await send(path));
}

export async function write<T>(method: "POST" | "PATCH" | "DELETE", path: string, body: object = {}): Promise<T> {
  return answerOf<T>(
    await send(path, { method, headers: { "content-type": "application/json" }, body: JSON.stringify(body) }),
  );
}

export async function upload<T>(path: string, file: File): Promise<T> {
  const headers = { "content-type": "application/octet-stream", "x-file-name": encodeURIComponent(file.name) };
  return answerOf<T>(await send(path, { method: "POST", headers, body: file }));
}
