/** Talks to the JSON API. Every failure becomes an ApiError with a sentence that can be shown. */

export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly field?: string,
    readonly details: ErrorDetails = {},
  ) {
    super(message);
  }
}

/** What a refusal says besides its sentence. */
export interface ErrorDetails {
  revision?: number;
  labels?: string[];
}

interface ErrorBody {
  error?: { code?: string; message?: string; field?: string } & ErrorDetails;
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
    { revision: error?.revision, labels: error?.labels } as ErrorDetails,
  );
}

/** A server that is busy says when to ask again; nothing was changed then. */
const TRIES = 3;
const LONGEST_PAUSE = 5;

async function send(path: string, init?: RequestInit, tries = TRIES): Promise<Response> {
  const response = await fetch(`/api${path}`, init).catch(() => {
    throw new ApiError(0, "offline", "Ethoscope does not answer. Is it still running?");
  });
  const pause = Number(response.headers.get("retry-after"));
  if (response.status !== 503 || !(pause > 0) || tries <= 1) return response;
  await new Promise((resolve) => setTimeout(resolve, Math.min(pause, LONGEST_PAUSE) * 1000));
  return send(path, init, tries - 1);
}

export async function get<T>(path: string): Promise<T> {
  return answerOf<T>(await send(path));
}

/** A file of bytes. */
export async function bytes(path: string): Promise<ArrayBuffer> {
  const response = await send(path);
  return response.ok ? response.arrayBuffer() : answerOf<never>(response);
}

export type Method = "POST" | "PATCH" | "PUT" | "DELETE";

/** With a revision, the change is refused when the sheet has moved on since. */
export async function write<T>(method: Method, path: string, body: object = {}, revision?: number): Promise<T> {
  const headers: Record<string, string> = { "content-type": "application/json" };
  if (revision !== undefined) headers["x-sheet-revision"] = String(revision);
  return answerOf<T>(await send(path, { method, headers, body: JSON.stringify(body) }));
}

export async function upload<T>(path: string, file: File): Promise<T> {
  const headers = { "content-type": "application/octet-stream", "x-file-name": encodeURIComponent(file.name) };
  return answerOf<T>(await send(path, { method: "POST", headers, body: file }));
}
