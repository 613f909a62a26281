import { figure, signs } from "../../lib/format";

/** What a chord does in its key. */
export function functionWords(kind: string, of: string | null): string {
  switch (kind) {
    case "secondary dominant":
      return `dominant of ${of ?? ""}`;
    case "chromatic approach":
      return `slides into ${of ?? ""}`;
    case "borrowed":
      return `borrowed from ${signs(of ?? "")}`;
    case "pedal":
      return `over a pedal on ${signs(of ?? "")}`;
    default:
      return kind;
  }
}

/** A beat or a count of beats, with a half where there is one. */
export function beatWords(beat: number): string {
  return figure(beat, beat % 1 ? 1 : 0);
}
