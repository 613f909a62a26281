/** Files on their way into studies. They go on while other pages are open; those that fail stay listed with the reason. */

export interface Incoming {
  key: string;
  studyId: number;
  name: string;
  state: "waiting" | "sending" | "failed";
  message?: string;
}

type Send = (studyId: number, file: File) => Promise<void>;

export class ImportQueue {
  private readonly listeners = new Set<() => void>();
  private list: Incoming[] = [];
  private working: Promise<void> = Promise.resolve();
  /** Files that wait for a study to be started for them. */
  private held: File[] = [];

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): Incoming[] => this.list;

  /** Sends files one after another, behind those that are on their way. */
  add(studyId: number, files: File[], send: Send, failure: (error: unknown) => string): Promise<void> {
    const batch = files.map((file, index) => ({ file, key: `${studyId} ${file.name} ${Date.now()} ${index}` }));
    this.set([
      ...this.list,
      ...batch.map(({ file, key }) => ({ key, studyId, name: file.name, state: "waiting" as const })),
    ]);
    this.working = batch.reduce(async (before, { file, key }) => {
      await before;
      this.change(key, { state: "sending" });
      try {
        await send(studyId, file);
        this.dismiss(key);
      } catch (error) {
        this.change(key, { state: "failed", message: failure(error) });
      }
    }, this.working);
    return this.working;
  }

  dismiss(key: string): void {
    this.set(this.list.filter((file) => file.key !== key));
  }

  hold(files: File[]): void {
    this.held = files;
    this.notify();
  }

  /** The files that were held, once. */
  release(): File[] {
    const files = this.held;
    this.held = [];
    return files;
  }

  readonly holds = (): number => this.held.length;

  private change(key: string, next: Partial<Incoming>): void {
    this.set(this.list.map((file) => (file.key === key ? { ...file, ...next } : file)));
  }

  private set(list: Incoming[]): void {
    this.list = list;
    this.notify();
  }

  private notify(): void {
    for (const listener of this.listeners) listener();
  }
}

export const imports = new ImportQueue();

const SOUND = /\.(wav|flac|mp3|ogg|opus|m4a|aac|aif|aiff)$/i;

/** Of a folder what can be taken in. */
export function soundsOf(files: File[]): File[] {
  return files.filter((file) => SOUND.test(file.name) && !file.name.startsWith("."));
}
