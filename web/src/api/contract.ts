// Written by `rake contract:write` from the shapes and words that Ruby declares. Not to be changed by hand.

export const AIMS = ["exact","style","study"] as const;
export type Aim = (typeof AIMS)[number];

export const RUN_STATES = ["queued","running","done","failed"] as const;
export type RunState = (typeof RUN_STATES)[number];

export const READING_STATES = ["open","confirmed","corrected","refuted"] as const;
export type ReadingState = (typeof READING_STATES)[number];

export const SOURCES = ["measured","heard","credited","published","told","assumed"] as const;
export type Source = (typeof SOURCES)[number];

export const TOLD_SOURCES = ["heard","credited","published","told","assumed"] as const;
export type ToldSource = (typeof TOLD_SOURCES)[number];

export const ASPECTS = ["tempo","meter","key","tuning","loop","form","loudness"] as const;
export type Aspect = (typeof ASPECTS)[number];

export const NOTED_ASPECTS = ["chord","layer","technique","mark","change","sighting","line"] as const;
export type NotedAspect = (typeof NOTED_ASPECTS)[number];

export const MARKS = ["none","measured","heard","confirmed","corrected","refuted"] as const;
export type Mark = (typeof MARKS)[number];

export const LAYER_SOURCES = ["mix","stem","midi"] as const;
export type LayerSource = (typeof LAYER_SOURCES)[number];

export const ROLES = ["kick","snare","hats","percussion","bass","chords","pad","lead","counter-melody","strings","brass","guitar","vocal","texture","fx"] as const;
export type Role = (typeof ROLES)[number];

export const STEM_EXTRAS = ["drums","return"] as const;
export type StemExtra = (typeof STEM_EXTRAS)[number];

export const MODES = ["major","minor","dorian","phrygian","lydian","mixolydian","harmonic minor"] as const;
export type Mode = (typeof MODES)[number];

export const TONICS = ["C","Db","D","Eb","E","F","F#","G","Ab","A","Bb","B"] as const;
export type Tonic = (typeof TONICS)[number];

export const METERS = ["2/4","4/4","3/4","5/4","7/8","6/8","12/8"] as const;
export type Meter = (typeof METERS)[number];

export const FAMILIES = ["own","rhythm","harmony","arrangement","sound","space","dynamics","transition"] as const;
export type Family = (typeof FAMILIES)[number];

export const HAVES = ["have","need","substitute"] as const;
export type Have = (typeof HAVES)[number];

export const PURPOSES = ["lead","support","ear candy","glue"] as const;
export type Purpose = (typeof PURPOSES)[number];

export const GIVES = ["body","attack","air","width"] as const;
export type Gives = (typeof GIVES)[number];

export const MARK_TYPES = ["technique","transition","oddity","question","idea"] as const;
export type MarkType = (typeof MARK_TYPES)[number];

export const ITEM_STATES = ["open","done","skipped"] as const;
export type ItemState = (typeof ITEM_STATES)[number];

export const ITEM_RESULTS = ["exact","close","ballpark","substituted"] as const;
export type ItemResult = (typeof ITEM_RESULTS)[number];

export const CLOSENESS = ["exact","close","ballpark","substituted","missing"] as const;
export type Closeness = (typeof CLOSENESS)[number];

export const WORK_KINDS = ["analysis","derivation","stem","separation","assembly"] as const;
export type WorkKind = (typeof WORK_KINDS)[number];

export const PRESENCES = ["absent","thin","full"] as const;
export type Presence = (typeof PRESENCES)[number];

export const SECTION_LABELS = ["intro","verse","pre-chorus","chorus","post-chorus","bridge","breakdown","build","drop","solo","outro"] as const;
export type SectionLabel = (typeof SECTION_LABELS)[number];

export const SCHOOL_IDS = ["chords","drums","sounds","arrangement","appearance"] as const;
export type SchoolId = (typeof SCHOOL_IDS)[number];

export const STANDINGS = ["core","side","counter","aside"] as const;
export type Standing = (typeof STANDINGS)[number];

export const WORD_KINDS = ["theme","mood","voice","language","other"] as const;
export type WordKind = (typeof WORD_KINDS)[number];

export const DIFFERENCE_KINDS = ["tempo","key","swing","level","range","width","brightness","form","form_added","chord","bass_octave","layer_missing","layer_extra","pattern","technique_missing","technique_amount","section_level","section_width","spectrum","width_band","feel","register","line","entry","exit","layer_pan","layer_width","layer_pumping","layer_echo","layer_tail"] as const;
export type DifferenceKind = (typeof DIFFERENCE_KINDS)[number];

export const STANDING_IN_STYLES = ["outside","edge","inside","untold"] as const;
export type StandingInStyle = (typeof STANDING_IN_STYLES)[number];

export const BEATS: Readonly<Record<string, number>> = {"2/4":2,"4/4":4,"3/4":3,"5/4":5,"7/8":7,"6/8":2,"12/8":4};

export const FORMATS = [{"file":"song.mid","words":"MIDI: tempo, sections, chords, bass, leads, drums"},{"file":"beside-audio.mid","words":"MIDI: the same, aligned to the recording from its start"},{"file":"played.mid","words":"MIDI: what each layer plays, a track each"},{"file":"lead-sheet.musicxml","words":"MusicXML: lead sheet, bass and drums"},{"file":"sections.csv","words":"CSV: the sections, a row each"},{"file":"chords.csv","words":"CSV: the chords by bar and beat"},{"file":"layers.csv","words":"CSV: who plays in which section"},{"file":"techniques.csv","words":"CSV: techniques and marks"},{"file":"labels.txt","words":"Labels: sections and marks with their times"},{"file":"song.md","words":"Markdown: the sheet in words"},{"file":"analysis.json","words":"JSON: everything that was measured"},{"file":"song.zip","words":"All of these in one archive"}] as const;

/** Chords lie without gaps, silence among them. */
export interface EngineChord {
  start: number;
  end: number;
  /** root:quality/bass, or N */
  label: string;
  symbol: string;
  degree: string | null;
  borrowed_from: string | null;
  function: string | null;
  function_of: string | null;
  confidence: number;
  rivals: {
    symbol: string;
    odds: number;
  }[];
  bar: number;
  beat: number;
  beats: number;
  /** Notes with octaves as a MIDI file has them. */
  written?: string[];
}

/** A chord with what stands of a person. */
export interface Chord extends EngineChord {
  source: Source;
  state: ReadingState;
  reading_id: number | null;
  note: string;
  /** Note names, root first. */
  notes: string[];
  /** Other names for the same notes over the same bass. */
  names: string[];
  /** Notes with octaves as a person hears them. */
  voicing: string[];
}

/** Sections lie without gaps; the first starts with the recording, the last ends with it. */
export interface EngineSection {
  label: string;
  letter: string;
  first_bar: number;
  bars: number;
  start: number;
  end: number;
  confidence: number;
  reason: string;
}

export interface Section extends EngineSection {
  source: Source;
  state: ReadingState;
  /** The nearest usual length, where the length is unusual. */
  usual_bars: number | null;
}

/** What comes back moved by semitones. */
export interface Returns {
  /** chords of an earlier section, moved */
  sections: {
    first_bar: number;
    of: string;
    of_bar: number;
    semitones: number;
  }[];
  /** what a layer played in an earlier section, moved */
  layers: {
    layer: string;
    first_bar: number;
    of_bar: number;
    semitones: number;
  }[];
  /** what another layer plays, moved, in the sections that begin there */
  doublings: {
    layer: string;
    like: string;
    semitones: number;
    bars: number[];
  }[];
}

export interface Bar {
  bar: number;
  start: number;
  end: number;
  /** LUFS */
  energy: number;
  /** side share, 0 to 1 */
  width: number;
  bpm: number;
}

/** What a weaker source says of a role. */
export interface LayerRival {
  source: LayerSource;
  activity: number[];
  spans: [number, number][];
}

export interface Layer {
  role: string;
  name: string;
  source: LayerSource;
  /** 0 to 1 by bar */
  activity: number[];
  confidence: number;
  spans: [number, number][];
  rivals: LayerRival[];
}

/** The measured series that shows a technique. */
export interface SeriesEvidence {
  label: string;
  unit: string;
  first_bar: number;
  /** Bars between two values. */
  step: number;
  values: (number | null)[];
  threshold: number | null;
}

export interface CardCandidate {
  text: string;
  source?: string | null;
  sure?: number | null;
  cost?: string;
  live?: boolean | null;
}

/** What a person writes of a layer's sound. */
export interface LayerCard {
  sound?: string;
  have?: Have | null;
  register?: string;
  stacked?: number | null;
  articulation?: string;
  pattern?: string;
  pan?: string;
  width?: string;
  automation?: string;
  variations?: string;
  sends?: string;
  /** The layer that this one is made from. */
  made_from?: string;
  /** What a substitute lacks. */
  lost?: string;
  /** The name under which it is the same in several songs. */
  shared?: string;
  purpose?: string | null;
  stack?: {
    text: string;
    gives: string;
  }[];
  candidates?: CardCandidate[];
  chain?: {
    type: string;
    setting?: string;
    amount?: string;
    why?: string;
  }[];
}

/** A layer that a person hears. */
export interface HeardLayer {
  reading_id: number;
  name: string;
  role: string | null;
  /** 0 absent to 3 full, by bar. */
  levels: number[];
  card: LayerCard;
  source: string;
  state: string;
}

export interface SheetMark {
  reading_id: number;
  type: string;
  text: string;
  layer_id?: number | null;
  first_bar: number;
  last_bar: number;
}

/** A place where a technique happens. */
export interface EngineSighting {
  kind: string;
  name: string;
  first_bar: number;
  last_bar: number;
  start: number;
  end: number;
  confidence: number;
  detail: Record<string, number | string | string[]>;
  source: LayerSource;
  evidence: SeriesEvidence | null;
}

export interface Sighting extends EngineSighting {
  state: ReadingState;
  reading_id: number | null;
}

/** A run of chords that comes back. */
export interface Loop {
  bars: number;
  degrees: string[];
  symbols: string[];
  /** bars */
  starts: number[];
  confidence: number;
}

/** The loop of the parts with these letters. */
export interface PartLoop extends Loop {
  letters: string[];
}

/** A key that holds from one bar to another. */
export interface KeyStretch {
  tonic: string;
  mode: string;
  first_bar: number;
  last_bar: number;
  confidence: number;
}

export interface KeyPart {
  tonic: string;
  mode: string;
  confidence: number;
  signature: number;
  rivals: {
    tonic: string;
    mode: string;
    odds: number;
  }[];
  scale: string[];
  pentatonic: boolean;
  stretches: KeyStretch[];
  outside: {
    note: string;
    share: number;
    bars: number[];
  }[];
}

/** Something that could not be told: why in words, or a fault of the engine with its place. */
export interface Gap {
  what: string;
  reason: string | null;
  fault: string | null;
}

/** A run of bars with a tempo of its own. */
export interface TempoPart {
  first_bar: number;
  last_bar: number;
  bpm: number;
  /** that hold in it */
  keys: {
    tonic: string;
    mode: string;
  }[];
  /** LUFS, mean of its bars */
  energy: number;
}

export interface Tempo {
  /** null when no pulse was found */
  bpm: number | null;
  constant: boolean;
  confidence: number;
  /** the chosen one first */
  candidates: {
    bpm: number;
    odds: number;
    relation: string;
    reason: string;
  }[];
  /** How well onsets repeat at each rate: [BPM, strength]. */
  pulse: [number, number][];
  /** ms by which onsets come after the grid, by bar */
  residuals: (number | null)[];
  /** from the first bar to the last */
  drift_ms: number | null;
  /** the tempo that would take the drift away */
  better: number | null;
}

export interface Groove {
  /** place of the off-beat in its pair, 0.5 is straight */
  swing_ratio: number;
  swing_unit: string;
  confidence: number;
  timing: Timing[];
  /** programmed, played, loose */
  feel: string | null;
}

/** After ITU-R BS.1770-4. */
export interface Loudness {
  /** LUFS, null below the gate */
  integrated: number | null;
  /** LU */
  range: number | null;
  loudest_short_term: number;
  /** dBTP */
  true_peak: number;
  /** sample peak, dBFS */
  peak_db: number;
  /** LUFS, one a second */
  short_term: number[];
}

/** Bars in small whole numbers. */
export interface Prints {
  /** MIDI number of the first note */
  lowest: number;
  /** by bar and half of it, 0 to 99 */
  notes: number[][][];
  /** of the mix, by piece, bar and step, 0 to 99, read in their context */
  strokes: Record<string, number[][]>;
  /** the same, of the pieces that stems or a score tell */
  told: Record<string, number[][]>;
  /** the same, each step by itself */
  heard: Record<string, number[][]>;
  /** by kind of sound, bar and step, tenths of a natural logarithm */
  attacks: Record<string, number[][]>;
  /** dB by bar, beat and band of three third octaves */
  bands: number[][][];
}

/** One run of the engine over one recording. */
export interface EngineAnalysis {
  /** what could not be told; empty as a rule */
  gaps: Gap[];
  engine_version: string;
  duration: number;
  channels: number;
  tempo: Tempo;
  /** one entry when the tempo is constant, else one a bar */
  tempo_map: {
    bar: number;
    time: number;
    bpm: number;
  }[];
  /** where the song changes its tempo at once; none where it keeps one or moves gradually */
  parts: TempoPart[];
  meter: string;
  meters: {
    name: string;
    odds: number;
  }[];
  /** never above that of the tempo */
  meter_confidence: number;
  /** tempo and meter as pairs, the chosen one first */
  counts: {
    bpm: number;
    meter: string;
    odds: number;
    relation: string;
    reason: string;
  }[];
  /** where else bar 1 could begin, beats later */
  bar_lines: {
    beats: number;
    odds: number;
  }[];
  beats: number[];
  downbeats: number[];
  pickup_beats: number;
  /** where the last bar ends */
  end: number;
  downbeat_confidence: number;
  groove: Groove;
  /** one a section */
  drums: StepPattern[];
  /** from A 440 */
  tuning_cents: number;
  tuning: {
    cents: number;
    confidence: number;
    /** Hz */
    a4: number;
    /** 100 classes of a cent */
    histogram: number[];
  };
  key: KeyPart | null;
  /** twelve shares from C */
  pitch_classes: {
    all: number[];
    bass: number[];
  };
  chords: EngineChord[];
  loop: Loop | null;
  loops: PartLoop[];
  /** before sections */
  cadences: {
    kind: string;
    bar: number;
  }[];
  bass: {
    notes: BassNote[];
    /** shares: root, third, fifth, seventh, other */
    tones: Record<string, number>;
    lowest: number | null;
    highest: number | null;
  };
  /** where a high line stands clear */
  leads: Lead[];
  lines: PlayedLine[];
  changes: EngineChange[];
  /** Roles that no source tells. */
  untold_roles: string[];
  /** where the voice rests for two bars or more; none without a voice */
  voiceless: {
    first_bar: number;
    last_bar: number;
  }[];
  /** the most common distance between changes */
  phrase_bars: number | null;
  sections: EngineSection[];
  /** what comes back moved by semitones */
  returns: Returns;
  /** For each bar how likely it is that a section begins with it. */
  novelty: number[];
  bars: Bar[];
  loudness: Loudness;
  mix: Mix;
  layers: Layer[];
  techniques: EngineSighting[];
  /** one a stem; what it does not show is null */
  stems: StemSound[];
  score: ScoreFacts | null;
  /** what each bar sounds like, for two songs to be laid on each other; pages do not carry it */
  prints?: Prints | null;
  /** which source leads */
  told_by: {
    count: LayerSource;
    chords: LayerSource;
    bass: LayerSource;
    drums: LayerSource;
  };
}

/** What the sheet shows: an analysis with what a person says laid over it. */
export interface Analysis extends EngineAnalysis {
  chords: Chord[];
  sections: Section[];
  changes: Change[];
  techniques: Sighting[];
  heard_layers: HeardLayer[];
  marks: SheetMark[];
}

/** One piece of the kit, step by step. */
export interface StepRow {
  piece: string;
  layer: string;
  source: LayerSource;
  /** bars after which its pattern returns */
  period: number;
  /** how hard each step of the period is struck, 0 to 1; 0 where it rests */
  hits: number[];
  /** of the usual bar */
  probability: number[];
  velocity: number[];
  ghost: number[];
}

export interface StepPattern {
  first_bar: number;
  bars: number;
  steps: number;
  rows: StepRow[];
  names: string[];
  hat_rate: string | null;
  departures: {
    bar: number;
    kind: "fill" | "gap" | "change";
    strokes: {
      piece: string;
      beat: number;
      more: boolean;
    }[];
  }[];
  confidence: number;
}

/** Offsets of onsets from the grid in ms by step. */
export interface Timing {
  register: string;
  offsets_ms: (number | null)[];
  spread_ms: number | null;
  onsets: number;
}

/** What changes where a run of four bars begins. */
export interface EngineChange {
  bar: number;
  enters: string[];
  leaves: string[];
  thins: string[];
  swells: string[];
  hats: "faster" | "slower" | null;
}

export interface Change extends EngineChange {
  /** What a person struck out, such as enters:bass. */
  struck: string[];
  added: {
    reading_id: number;
    text: string;
  }[];
}

export interface BassNote {
  bar: number;
  beat: number;
  beats: number;
  start: number;
  end: number;
  /** MIDI */
  pitch: number;
  name: string;
  tone: string;
  /** that a note begins there */
  sure: number;
}

export interface Lead {
  first_bar: number;
  bars: number;
  low: number;
  middle: number;
  high: number;
  contour: string;
  confidence: number;
}

/** A stroke or note that a bar has more than its pattern, or less. */
export interface NoteApart {
  beat: number;
  pitch: number | null;
  more: boolean;
}

/** How a layer plays against the grid. */
export interface LayerFeel {
  unit: string;
  /** place of the off-beat in its pair */
  ratio: number;
  /** after the straight one */
  ms: number;
  /** by step of the bar */
  late_ms: (number | null)[];
  spread_ms: number | null;
  /** hard and soft, in turn */
  ladder: number[] | null;
  /** from the first to the last note of a chord */
  strum_ms: number | null;
}

/** What a layer plays, stroke by stroke or note by note. */
export interface PlayedLine {
  layer: string;
  role: string;
  source: LayerSource;
  /** [beat from the start of bar 1, beats, MIDI pitch or null, velocity 0 to 1] */
  notes: (number | null)[][];
  feel: LayerFeel | null;
  /** strokes and notes that a person added or took away */
  edited: number;
  /** those in which it plays */
  sections: {
    first_bar: number;
    bars: number;
    /** bars after which it returns */
    period: number | null;
    departures: {
      bar: number;
      strokes: NoteApart[];
    }[];
  }[];
}

export interface Register {
  name: string;
  hertz: [number, number];
  side: number;
  correlation: number;
  mono_loss_db: number;
}

export interface Mix {
  /** Hz */
  centres: number[];
  /** dB by third octave */
  spectrum: number[];
  registers: Register[];
  sections: {
    first_bar: number;
    /** dB by third octave */
    against_mean: number[];
    registers: Register[];
  }[];
}

/** What was measured on a stem. */
export interface StemSound {
  name: string;
  role: string;
  /** s */
  offset: number;
  bars: {
    level_db: number[];
    share: number[];
    pan: (number | null)[];
    width: (number | null)[];
    brightness: (number | null)[];
  };
  /** Hz */
  bandwidth: [number, number];
  /** Hz */
  brightness: number;
  image: "mono" | "narrow" | "wide";
  /** -1 to 1 */
  pan: number;
  width: number;
  motion: {
    range: number;
    bars: number;
  } | null;
  crest_db: number;
  shape: {
    attack_ms: number;
    decay_ms: number | null;
    attack: string;
    decay: string | null;
  } | null;
  pumping: {
    depth_db: number;
    rate: string;
    follows: string | null;
  } | null;
  gating: {
    steps: number;
    depth_db: number;
  } | null;
  echo: {
    ms: number;
    unit: string | null;
    under_db: number;
    alternates: boolean;
  } | null;
  /** Seconds in which its sounds would fall by sixty dB. */
  tail_s: number | null;
  pitch: {
    line: boolean;
    polyphony: number;
    low: number;
    middle: number;
    high: number;
  } | null;
  /** onsets a beat */
  density: number;
  timing: {
    late_ms: number | null;
    spread_ms: number | null;
    swing: number | null;
  };
  /** bars */
  period: number | null;
  /** by section */
  variations: (string | null)[];
}

/** What the notes of one part of a score tell. */
export interface ScorePart {
  name: string;
  role: string;
  program: number | null;
  notes: number;
  low: number;
  middle: number;
  high: number;
  polyphony: number;
  /** quarters */
  length_beats: number;
  velocity: {
    low: number;
    middle: number;
    high: number;
    spread: number;
    by_sixteenth: (number | null)[];
  };
  grid: string | null;
  residual_ms: number | null;
  period: number | null;
  transposed: {
    bars: number;
    semitones: number;
  } | null;
  /** The first bars until they come back: [sixteenth from their start, pitch]. */
  pattern: [number, number][];
  variations: (string | null)[];
}

export interface ScoreFacts {
  bpm: number;
  tempo_changes: number;
  meter: string;
  keys: unknown;
  markers: {
    text: string;
    bar: number;
  }[];
  warnings: string[];
  placement: {
    kind: "clock" | "beats";
    /** s */
    offset: number;
    /** 0 to 2 */
    agreement: number;
    believable: boolean;
    /** A person said where it lies. */
    told: boolean | null;
  };
  parts: ScorePart[];
}

export interface Study {
  id: number;
  title: string;
  aim: Aim;
  scope_from: number | null;
  scope_bar: number | null;
  target_bpm: number | null;
  target_tonic: string | null;
  target_mode: string | null;
  /** what of another mode is kept */
  target_way: "tonic" | "notes";
  target_meter: string | null;
  created_at: string;
  deleted_at: string | null;
  references?: number;
}

/** A study in the list of all: the forms of its first songs, and what is to be done next. */
export interface StudyCard extends Study {
  forms: {
    title: string;
    sections: [string, number][];
  }[];
  next: {
    words: string;
    path: string;
  };
}

/** One run of the engine over one recording. */
export interface Run {
  id: number;
  recording_id: number;
  state: RunState;
  stage: string | null;
  progress: number;
  error: string | null;
  engine_version: string | null;
  created_at: string;
  finished_at: string | null;
}

/** One piece of background work on what a study holds. */
export interface WorkRun {
  kind: WorkKind;
  id: number;
  /** Null for a song that is put together. */
  reference_id: number | null;
  state: RunState | "open";
  stage: string | null;
  progress: number;
  error: string | null;
}

/** How far all work on a study is; without runs when nothing has happened since the edition that was seen. */
export interface Progress {
  edition: number;
  runs?: WorkRun[];
}

export interface ReferenceSummary {
  bpm: number | null;
  /** from which tempo to which it wanders */
  moves: [number, number] | null;
  sure: {
    tempo: number;
    key: number;
  };
  meter: string;
  key: string | null;
  bars: number;
  duration: number;
  lufs: number | null;
  sections: number;
  loop: string | null;
}

/** A song in a study. */
export interface Reference {
  id: number;
  study_id: number;
  recording_id: number;
  title: string;
  artist: string | null;
  original_name: string;
  position: number;
  created_at: string;
  deleted_at: string | null;
  revision: number;
  applied: number;
  /** whether it is an attempt of one's own */
  attempt: boolean;
  /** how it counts in the profile */
  standing: Standing;
  /** theme, mood, voice, language */
  words: {
    kind: WordKind;
    text: string;
  }[];
  credits: {
    text: string;
    source?: string;
    date?: string;
  }[];
}

export interface ReferenceRow extends Reference {
  analysis: Run | null;
  marks: Record<string, Mark>;
  summary: ReferenceSummary | null;
  /** Why the reference can't be shown, in words. */
  problem: string | null;
}

export interface ChecklistHead {
  id: number;
  study_id: number;
  reference_id: number | null;
  title: string;
  school: SchoolId;
  deleted_at: string | null;
  /** moved into an order of one's own */
  by_hand: boolean;
  created_at: string;
}

export interface ChecklistRow extends ChecklistHead {
  total: number;
  done: number;
}

/** A song that comes without a mix, while it is put together. */
export interface Assembly {
  id: number;
  study_id: number;
  title: string;
  stems: {
    recording_id: number;
    name: string;
  }[];
  score_sha256: string | null;
  score_name: string | null;
  /** where it becomes an attempt */
  attempt: {
    against_id: number | null;
    checklist_id: number | null;
  } | null;
  /** open while files are added */
  state: RunState | "open";
  stage: string | null;
  progress: number;
  error: string | null;
  tries: number;
  created_at: string;
}

/** Something that can be brought back. */
export interface ThrownAway {
  id: number;
  title: string;
  deleted_at: string;
}

export interface StudyPage {
  study: Study;
  references: ReferenceRow[];
  checklists: ChecklistRow[];
  assemblies: Assembly[];
  thrown_away: {
    references: ThrownAway[];
    checklists: ThrownAway[];
  };
}

export interface Rival {
  label: string;
  odds: number;
}

/** One statement about a reference. */
export interface Reading {
  id: number;
  reference_id: number;
  analysis_id: number | null;
  supersedes_id: number | null;
  aspect: Aspect | NotedAspect;
  value: Record<string, unknown> | null;
  statement: string;
  note: string;
  why: string;
  rivals: Rival[];
  first_bar: number | null;
  last_bar: number | null;
  source: Source;
  confidence: number | null;
  state: ReadingState;
  /** Where it is said. */
  link: string;
  /** Why it was decided so. */
  reason: string;
  created_at: string;
  /** s */
  starts_at: number | null;
  ends_at: number | null;
}

export interface StemRow {
  id: number;
  reference_id: number;
  recording_id: number;
  name: string;
  role: string;
  guess: string;
  offset: number | null;
  set_offset: number | null;
  /** seconds of the mix to one of its own */
  speed: number;
  fits: boolean;
  /** used though it fits nowhere */
  insisted: boolean;
  agreement: number | null;
  distinct: number | null;
  seconds: number | null;
  state: RunState;
  stage: string | null;
  progress: number;
  error: string | null;
  tries: number;
  created_at: string;
}

export interface ScoreRow {
  id: number;
  reference_id: number;
  sha256: string;
  name: string;
  parts: {
    name: string;
    role: string;
    notes: number;
    program: number | null;
  }[];
  warnings: string[];
  roles: Record<string, string>;
  /** where a person says that it lies: that bar of the file at that second */
  place: {
    file_bar: number;
    at: number;
  } | null;
  created_at: string;
}

export interface SectionCell {
  state: Presence;
  share: number;
  variation: string | null;
  new: boolean;
  left: boolean;
}

/** Who plays how much in which section. */
export interface SectionTable {
  layers: {
    name: string;
    role: string | null;
    source: LayerSource | "heard";
    reading_id: number | null;
    cells: SectionCell[];
  }[];
  sections: {
    playing: number;
    entered: string[];
    left: string[];
  }[];
}

export interface Edit {
  number: number;
  label: string;
  created_at: string;
  undone: boolean;
}

/** Every change that a person made, and where undo and redo stand. */
export interface Journal {
  revision: number;
  undo: string | null;
  redo: string | null;
  edits: Edit[];
}

/** The run that works in what was put right. */
export interface Derivation {
  state: RunState;
  stage: string | null;
  progress: number;
  error: string | null;
}

export interface SheetReference extends Reference {
  run: Run | null;
}

/** All that the sheet of a song shows. */
export interface ReferencePage {
  reference: SheetReference;
  analysis: Analysis | null;
  /** Why there is no sheet although there is an analysis. */
  problem: string | null;
  readings: Reading[];
  current: Record<string, number>;
  /** Readings that contradict each other, by aspect. */
  contradictions: Record<string, number[]>;
  journal: Journal;
  derivation: Derivation | null;
  stems: StemRow[];
  score: ScoreRow | null;
  table: SectionTable | null;
  /** in whose tempo and key it is told; null: as theirs */
  frame: Frame | null;
}

/** A key by its two words. */
export interface Home {
  tonic: string;
  mode: string;
}

/** From the tempo and key of a song into those of the new track; seconds on its sheet stay those of the recording. */
export interface Frame {
  bpm: number | null;
  from_bpm: number | null;
  /** new tempo by old one */
  ratio: number;
  key: Home | null;
  from_key: Home | null;
  semitones: number;
  /** a key whose mode the song does not have */
  asked: Home | null;
  way: "tonic" | "notes";
  /** what the mode that was asked for would change */
  chords: {
    symbol: string;
    tonic: string;
    notes: string;
    changed: string | null;
    differs: string[];
  }[];
  /** where another meter is wanted */
  meter: {
    wanted: string;
    own: string;
    words: string[];
  } | null;
  warnings: string[];
}

/** A layer's card with where it belongs. */
export interface SoundRow {
  /** null for what a stem tells and nobody has written */
  reading_id: number | null;
  reference_id: number;
  song: string;
  name: string;
  role: string | null;
  card: LayerCard;
}

export interface TechniqueEntry {
  kind: string;
  family: string;
  name: string;
  summary: string;
  hear: string;
  mix: string;
  stems: string;
  midi: string;
  measure: string;
  steps: string[];
  defaults: Record<string, string>;
  wrong: string;
  /** Whether the engine looks for it. */
  searched: boolean;
  /** Whether the study has its own words for it. */
  own?: boolean;
}

/** How a technique is done here: for each sighting the steps with its figures. */
export interface HowTo {
  entry: TechniqueEntry;
  steps: {
    first_bar: number | null;
    last_bar: number | null;
    steps: string[];
  }[];
}

/** An order of work. */
export interface School {
  id: SchoolId;
  name: string;
  reason: string;
  stages: string[];
  headings: "stages" | "sections";
}

/** What is to be reached: a measure, where, its value, and how far off it may be in the measure's unit. */
export interface Target {
  measure: string;
  role?: string;
  layer?: string;
  label?: string;
  letter?: string;
  first_bar?: number;
  bars?: number;
  value: unknown;
  tolerance: number;
  unit?: string;
  source: string;
  confidence?: number;
  /** In how many of how many songs. */
  holds?: number[];
}

/** How a person likes it. */
export interface Settings {
  /** how notes are spelled */
  names: "key" | "sharps" | "flats";
  middle_c: "C4" | "C3";
  school: SchoolId;
  /** % at the start */
  volume: number;
  /** whether single keys act */
  shortcuts: boolean;
  /** keys of one's own, by the usual one */
  keys: Record<string, string>;
}

/** Something that was found. */
export interface Hit {
  kind: string;
  text: string;
  beside: string;
  path: string;
}

/** A calculation with what was filled in and what it came to. */
export interface Pin {
  calculator: string;
  name: string;
  written: Record<string, string>;
  text: string;
}

/** A gap in a sentence. */
export interface Blank {
  name: string;
  about: string;
  kind: string;
  unit: string;
  usual: string | null;
  /** worked out where it is left empty */
  open: boolean;
  choices: string[] | null;
}

/** A sentence with blanks in braces. */
export interface Calculator {
  id: string;
  group: string;
  name: string;
  sentence: string;
  blanks: Blank[];
}

export interface CalculatorGroup {
  id: string;
  name: string;
  calculators: Calculator[];
}

/** What a calculation comes to. */
export interface Reckoned {
  filled: Record<string, string>;
  lines: {
    name: string;
    figure: string;
    note: string;
  }[];
  warnings: string[];
  rounding: string;
  /** how a recording is played so */
  sound: {
    rate: number;
    semitones: number;
  } | null;
}

/** What of a song goes into the blanks, by calculation and blank. */
export interface Known {
  title: string;
  layers: string[];
  known: Record<string, Record<string, string>>;
}

/** Something to do. */
export interface Item {
  id: number;
  checklist_id: number;
  reading_id: number | null;
  position: number;
  number: string;
  stage: string;
  /** what it stands under: its stage, or a section */
  heading: string;
  title: string;
  target: string;
  tolerance: string;
  targets: Target[];
  minutes: number;
  steps: string[];
  fallback: string;
  from: string;
  /** What of the reading it rests on, such as layer:bass. */
  about: string | null;
  /** What it would say if it were made now, where that differs; nulls where nothing says it any more. */
  now?: {
    target: string | null;
    tolerance: string | null;
  } | null;
  state: ItemState;
  /** how near it came, of what is done */
  result: ItemResult | null;
  why: string;
  note: string;
  /** written by a person, or in a person's words */
  own: boolean;
  /** who does it; empty: me */
  who: string;
  links: string[];
  /** what was reckoned for it */
  pins: Pin[];
  /** s of work that were timed */
  spent: number;
  /** minutes that were added to its box */
  extra: number;
  /** since when its clock runs */
  started_at: string | null;
}

/** What of a checklist fits into the time that one has. */
export interface Session {
  minutes: number;
  work: number;
  rest: number;
  /** their ids */
  items: number[];
}

export interface Checklist extends ChecklistHead {
  items: Item[];
  /** what undo would take back */
  undo: string | null;
  redo: string | null;
}

/** Something that was done. */
export interface LogEntry {
  id: number;
  checklist_id: number | null;
  item_id: number | null;
  list: string;
  stage: string;
  title: string;
  /** min */
  box: number;
  seconds: number;
  decision: string;
  why: string;
  at: string;
}

/** How long one person takes for one kind of work. */
export interface PaceLine {
  stage: string;
  boxes: number;
  /** min */
  given: number;
  /** min */
  taken: number;
  factor: number;
}

export interface Logbook {
  study: Study;
  entries: LogEntry[];
  pace: PaceLine[];
}

/** A version of the user's own track. */
export interface AttemptRow {
  id: number;
  study_id: number;
  /** the reference that holds its sound and its sheet */
  song_id: number;
  against_id: number | null;
  checklist_id: number | null;
  number: number;
  note: string;
  /** how a person says that it lies */
  lies: {
    starts?: number[];
    semitones?: number;
  };
  /** what it was read again with, because its reference counts so */
  settled: {
    bpm?: number;
    meter?: string;
    first_downbeat?: number;
  };
  created_at: string;
  deleted_at: string | null;
  title: string;
  file: string;
  run: Run | null;
  /** items by closeness, and by ear */
  counts: Record<string, number>;
  /** why it is not compared */
  problem: string | null;
}

export interface Attempts {
  study: Study;
  attempts: AttemptRow[];
}

/** How an attempt lies on its reference. */
export interface Lying {
  tempo: {
    reference: number;
    attempt: number;
    ratio: number;
  };
  semitones: number;
  /** bar of the reference, bar of the attempt */
  bars: [number, number | null][];
  confidence: number;
  kind: "bars" | "part" | "loop" | "by hand";
  refused: string | null;
  cut: [number, number][];
  /** first and last bar of the attempt, and the reference's bar behind which they stand */
  added: [number, number, number][];
}

/** What a difference is seen in, of both songs. */
export interface EvidencePlot {
  title: string;
  unit: string;
  /** bars, steps, bands or notes */
  places: string[];
  reference: (number | null)[];
  attempt: (number | null)[];
  /** places, from 0, that the difference is about */
  marked: number[];
}

/** One thing in which an attempt differs; size in tolerances. */
export interface Difference {
  kind: DifferenceKind;
  measure?: string;
  bars: [number, number][];
  role?: string;
  technique?: string;
  reference?: string;
  attempt?: string;
  distance: number;
  tolerance: number;
  unit: string;
  sure: number;
  words: string;
  how: string[];
  /** what follows from it */
  under: Difference[];
  size: number;
  closeness: Closeness;
  /** whether it may as well not be so */
  doubtful: boolean;
  evidence?: EvidencePlot;
}

export interface AttemptBar {
  bar: number;
  attempt: number | null;
  /** in tolerances */
  apart: number;
}

export interface AttemptComparison {
  alignment: Lying;
  differences: Difference[];
  bars: AttemptBar[];
  worst: {
    bar: number;
    attempt: number | null;
    apart: number;
    why: string[];
  }[];
}

export interface LaidBar {
  bar: number;
  start: number;
  end: number;
  attempt: {
    bar: number;
    start: number;
    end: number;
  } | null;
}

export interface ShortChord {
  beat: number;
  beats: number;
  symbol: string;
}

/** Both songs by bar of the reference; null where the attempt has no such bar. */
export interface TwoInks {
  bars: LaidBar[];
  sections: {
    label: string;
    letter: string;
    first_bar: number;
    bars: number;
  }[];
  meter: string;
  energy: {
    reference: number[];
    attempt: (number | null)[];
  };
  chords: {
    reference: ShortChord[][];
    attempt: (ShortChord[] | null)[];
  };
  layers: {
    role: string;
    reference: number[];
    attempt: (number | null)[];
  }[];
  inserted: {
    first: number;
    last: number;
    behind: number;
  }[];
}

export interface JudgedTarget {
  measure: string;
  place: Record<string, unknown>;
  here: string;
  there: string | null;
  distance: number | null;
  tolerance: number;
  unit: string;
  closeness: Closeness;
}

/** How close an attempt came to an item; null where only the ear can tell. */
export interface AttemptVerdict {
  closeness: Closeness | null;
  measured: Closeness | null;
  /** why a person says otherwise */
  overruled: string | null;
  targets: JudgedTarget[];
  words: string[];
}

/** One thing that the songs share, and how an attempt stands to it. */
export interface StyleLine {
  id: string;
  aspect: string;
  words: string;
  standing: StandingInStyle;
  attempt: string | null;
  range: [number, number] | null;
  points: (number | null)[] | null;
  figure: number | null;
  /** how far outside the range, in unit */
  apart: number | null;
  unit: string | null;
  /** in how many of how many songs */
  holds: [number, number];
}

/** Bars of an attempt that equal those of one song and of no other. */
export interface NearRun {
  reference_id: number;
  title: string;
  reference: [number, number];
  attempt: [number, number];
  semitones: number;
}

/** An attempt beside several songs. */
export interface StyleStanding {
  songs: number;
  lines: StyleLine[];
  counts: Record<string, number>;
  near: NearRun[];
}

export interface AttemptPage {
  attempt: AttemptRow;
  reference: Reference | null;
  problem: string | null;
  comparison: AttemptComparison | null;
  sheet: TwoInks | null;
  style: StyleStanding | null;
  verdicts: Record<string, AttemptVerdict>;
  attempts: {
    id: number;
    number: number;
    note: string;
    created_at: string;
    closeness: Record<string, Closeness | null>;
  }[];
}

export interface TempoPoint {
  counted: number;
  folded: number;
  apart: boolean;
}

export interface ProfileSong {
  title: string;
  reference_id: number | null;
  standing: Standing;
  bars: number;
  duration: number;
  meter: string;
  sections: {
    label: string;
    letter: string;
    first_bar: number;
    bars: number;
    energy: number;
  }[];
}

/** That songs share something. */
export interface Claim {
  id: string;
  trait: string;
  aspect: string;
  words: string;
  value: unknown;
  /** which of them have it */
  songs: (boolean | null)[];
  n: number;
  m: number;
  /** weighted */
  share: number;
  /** of the interval in which the share may lie */
  low: number;
  high: number;
  /** share of other music */
  elsewhere: number | null;
  /** that a clear majority has it; null where that was never measured */
  sure: number | null;
  standing: "own" | "common" | "few";
  said: boolean;
}

/** Two profiles side by side. */
export interface Comparison {
  here: {
    title: string;
    songs: number;
  };
  there: {
    title: string;
    songs: number;
  };
  lines: {
    id: string;
    aspect: string;
    words: string;
    here: number[];
    there: number[];
    apart: number;
  }[];
}

/** What the songs of a study share. */
export interface Profile {
  songs: ProfileSong[];
  tempo: {
    range: [number, number] | null;
    middle: number | null;
    points: (TempoPoint | null)[];
  };
  keys: {
    minor: number;
    of: number;
    modes: Record<string, number>;
    tonics: Record<string, number>;
    songs: ({
      tonic: string;
      mode: string;
      fifths: number;
      signature: number;
    } | null)[];
  };
  degrees: {
    degree: string;
    share: number;
    songs: boolean[];
  }[];
  loops: {
    degrees: string[];
    songs: boolean[];
  }[];
  layers: {
    kinds: {
      name: string;
      of: number;
    }[];
    roles: {
      role: string;
      counts: number[];
    }[];
  };
  /** Pitched layers, the songs in which they play, and what their cards say. */
  sounds: {
    name: string;
    songs: boolean[];
    sounds: string[];
  }[];
  techniques: {
    kind: string;
    name: string;
    songs: boolean[];
    sightings: number;
  }[];
  /** What somebody pinned to a place. */
  marks: {
    type: string;
    text: string;
    first_bar: number;
    title: string;
  }[];
  /** What a clear majority has; what is said comes first. */
  claims: Claim[];
  baseline: {
    name: string;
    songs: number;
  };
  outlier: {
    song: number;
    title: string;
    respects: string[];
  } | null;
  groups: {
    songs: number[];
    words: string[];
  }[];
}

export interface ProfilePage {
  study: Study;
  profile: Profile;
  against: string;
  /** what it can be told beside */
  baselines: {
    id: string;
    name: string;
    songs: number;
  }[];
  /** songs that are not counted, and how much of what is said they have */
  others: {
    reference_id: number;
    title: string;
    standing: Standing;
    has: number;
    of: number;
  }[];
  /** Titles of songs that can't be shown, and so are not counted. */
  left_out: string[];
}

export interface ChordReading {
  symbol: string;
  notes: string[];
  degree: string | null;
  function: string | null;
  function_of: string | null;
  names: string[];
}

export interface NamedKey {
  tonic: string;
  mode: string;
  name: string;
}

export interface ScaleUse {
  name: string;
  relative: NamedKey;
  parallel: NamedKey;
  notes: {
    name: string;
    inside: boolean;
    share: number;
    beats: number;
    bars: number[];
  }[];
}

export interface Separation {
  state: RunState | "none";
  progress: number;
  error: string | null;
}

export interface Tapped {
  bpm: number;
  /** s */
  first: number;
  spread_ms: number;
  used: number;
  dropped: number;
  nearest: number | null;
}
