/** A quiet tone that says that a time is over: one fifth above the other, half a second in all. */

const TONES = [392, 588];
const LEVEL = 0.05;

export function softTone(): void {
  if (typeof AudioContext === "undefined") return;
  const context = new AudioContext();
  const end = TONES.reduce((start, frequency) => {
    const tone = context.createOscillator();
    const gain = context.createGain();
    tone.frequency.value = frequency;
    gain.gain.setValueAtTime(0, start);
    gain.gain.linearRampToValueAtTime(LEVEL, start + 0.03);
    gain.gain.linearRampToValueAtTime(0, start + 0.28);
    tone.connect(gain).connect(context.destination);
    tone.start(start);
    tone.stop(start + 0.3);
    return start + 0.22;
  }, context.currentTime);
  setTimeout(() => void context.close(), (end - context.currentTime + 1) * 1000);
}
