/** Short ticks on the beats that were found, so that a wrong tempo or first beat is heard at once. */

const FIRST_BEAT = 1560;
const OTHER_BEAT = 1040;
const SECONDS = 0.045;

export class Clicks {
  private readonly sounding = new Set<OscillatorNode>();
  private readonly bus: GainNode;

  constructor(
    private readonly context: AudioContext,
    output: AudioNode,
  ) {
    this.bus = context.createGain();
    this.bus.gain.value = 0.5;
    this.bus.connect(output);
  }

  /** A tick at a time of the audio clock; the first beat of a bar is higher. */
  at(time: number, first: boolean): void {
    const tone = this.context.createOscillator();
    const envelope = this.context.createGain();
    tone.type = "triangle";
    tone.frequency.value = first ? FIRST_BEAT : OTHER_BEAT;
    envelope.gain.setValueAtTime(0, time);
    envelope.gain.linearRampToValueAtTime(first ? 0.9 : 0.55, time + 0.002);
    envelope.gain.exponentialRampToValueAtTime(0.001, time + SECONDS);
    tone.connect(envelope).connect(this.bus);
    tone.start(time);
    tone.stop(time + SECONDS + 0.01);
    this.sounding.add(tone);
    tone.addEventListener("ended", () => this.sounding.delete(tone));
  }

  /** Nothing that is planned will sound. */
  silence(): void {
    for (const tone of this.sounding) {
      tone.stop();
      tone.disconnect();
    }
    this.sounding.clear();
  }
}
