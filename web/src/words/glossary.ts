/** What the words mean that are not everybody's. */

export interface Word {
  word: string;
  means: string;
}

export const GLOSSARY: Word[] = [
  { word: "alternative", means: "What else it could be, with how likely that is." },
  {
    word: "as mine",
    means:
      "In the tempo and key of your new track: chords, notes, times and milliseconds worked out anew. As theirs: in the song’s own.",
  },
  {
    word: "attempt",
    means: "A bounce of your own track, kept for ever as a version, laid against the reference bar by bar.",
  },
  { word: "backbeat", means: "The snare, or what stands in for it, on the second and fourth beat." },
  { word: "ballpark", means: "Off by up to twice the tolerance. Close is within it, exact within a quarter of it." },
  {
    word: "borrowed chord",
    means: "A chord from another scale on the same tonic, such as a minor fourth degree in a major key.",
  },
  { word: "cents", means: "Hundredths of a semitone." },
  {
    word: "checklist",
    means:
      "All that it takes to rebuild a song or a style, as things to do, each with a target, a tolerance and the minutes planned for it.",
  },
  {
    word: "claim",
    means: "Something that songs of a study share, with how many of how many, beside how common it is elsewhere.",
  },
  {
    word: "confirmed",
    means:
      "A person listened and says that it is right. It is marked by a green tick, and stays when the song is measured again.",
  },
  { word: "corrected", means: "A person put something else in its place; what was measured is kept below it." },
  {
    word: "dBTP",
    means: "Level of the true peak: the highest point of the waveform between samples, in decibels under full scale.",
  },
  {
    word: "degree",
    means: "A chord’s place in the key as a Roman numeral, counted from the major scale; small ones are minor.",
  },
  { word: "drift", means: "How far beats stray from one steady tempo from the first bar to the last." },
  {
    word: "eighths, sixteenths",
    means: "Notes of an eighth or a sixteenth of a bar of four quarters: the grid that hats and patterns are told on.",
  },
  { word: "energy", means: "How loud each bar is, in LUFS." },
  { word: "exact", means: "Within a quarter of the tolerance." },
  { word: "feel", means: "How a layer lies against the grid: swing, and milliseconds early or late." },
  { word: "ghost note", means: "A soft stroke between the ones that are meant to be heard." },
  {
    word: "half-time",
    means: "The same bars felt at half the tempo: the backbeat falls once a bar, on the third beat.",
  },
  { word: "heard", means: "Said by a person. It is drawn hatched and in ochre, never solid." },
  { word: "inversion", means: "A chord whose lowest note is not its root, written with a slash: C/E." },
  { word: "layer", means: "One sounding part of a song with a role: kick, bass, pad, lead and so on." },
  { word: "loop", means: "A run of chords that comes back." },
  { word: "LU", means: "Loudness unit: one decibel of loudness. Used for differences and ranges." },
  { word: "LUFS", means: "Loudness as ears take it, in decibels under full scale (BS.1770). −14 is louder than −20." },
  { word: "mark", means: "A remark pinned to bars: an idea, a question, an oddity." },
  { word: "measured", means: "Read off the sound by the engine. It is drawn in blue ink, denser where it is surer." },
  { word: "mode", means: "Which scale stands on the tonic: major, minor, dorian and so on." },
  { word: "off the grid", means: "Not quite on the step: so many milliseconds early or late." },
  { word: "parallel key", means: "The key on the same tonic in another mode: C major and C minor." },
  { word: "pickup", means: "Notes before the first full bar. It is bar 0." },
  { word: "pumping", means: "A layer ducks whenever the kick strikes, and swells back." },
  {
    word: "reading",
    means: "One statement about a reference, with where it comes from, how sure it is, and what else it could be.",
  },
  { word: "reference", means: "A song that you learn from." },
  { word: "register", means: "How high or low a part lies: its lowest, usual and highest note." },
  { word: "relative key", means: "The key with the same notes and another home: A minor and C major." },
  {
    word: "repeatability",
    means: "How far a measure strays when nothing changed. What lies within it is no difference.",
  },
  {
    word: "school",
    means:
      "An order of work: chords first, drums first, sounds first, the arrangement first, or in order of appearance.",
  },
  { word: "secondary dominant", means: "A dominant of another degree than the tonic: in C major, D7 leads to G." },
  { word: "section", means: "A run of bars with a name, and a letter for what comes back." },
  { word: "side energy", means: "The share of the sound that differs between left and right: 0 % is mono." },
  { word: "sighting", means: "One place where a technique happens." },
  {
    word: "sounds like, feels like",
    means: "Notes and sounds make the first; swing, strengths and small offsets the second.",
  },
  { word: "stem", means: "A part of the mix as a file of its own." },
  { word: "sure", means: "How sure the engine is, in per cent; checked against songs whose truth is known." },
  { word: "swing", means: "Where the off-beat falls in its pair: 50 % is straight, 67 % a triplet." },
  { word: "technique", means: "A habit of the style: something that is done on purpose, and can be learnt." },
  { word: "tolerance", means: "How far off something may be and still count as close." },
  { word: "varispeed", means: "Speed and pitch together, as on a tape." },
  { word: "voicing", means: "Which notes of a chord are played, in which octaves." },
  {
    word: "wrong",
    means: "A person says that it is wrong. It is struck through, and left out of whatever rests on it.",
  },
];

export function meaningOf(word: string): string | undefined {
  return GLOSSARY.find((entry) => entry.word === word)?.means;
}
