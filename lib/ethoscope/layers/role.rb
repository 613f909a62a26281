# frozen_string_literal: true

module Ethoscope
  module Layers
    # The roles that a sounding part can have, and what the name of a file or a track tells of them. The method is our own.
    module Role
      ALL = %w[kick snare hats percussion bass chords pad lead counter-melody strings brass guitar vocal texture fx].freeze
      # Those that keep time and have no pitch to speak of.
      STRUCK = %w[kick snare hats percussion].freeze
      # What a bounced file may hold beside the roles: all drums in one, and the return of a shared effect.
      DRUMS = "drums"
      RETURN = "return"
      CHOICES = [*ALL, DRUMS, RETURN].freeze
      UNKNOWN = "texture"

      # Words that name a role, the telling ones first: "bass drum" is a kick, "hi-hat reverb" is a return, "vocal chop" is a voice, "wood block" is
      # percussion and "string bass" a bass.
      WORDS = {
        RETURN => %w[reverb verb rvb return returns rtn echoes send sends delays],
        "kick" => ["bass drum", "kick drum", "kick", "kicks", "kik", "bd", "kck", "kd"],
        "percussion" => ["wood block", "woodblock", "temple block", "block", "blocks", "finger snap", "snap", "snaps", "percussion", "perc", "percs", "prc", "shaker", "shakers", "shk",
                         "tambourine", "tamb", "tambo", "conga", "congas", "bongo", "bongos", "toms", "tom", "floor tom", "cowbell", "clave", "claves", "maraca", "maracas", "cabasa",
                         "triangle", "guiro", "agogo", "timbale", "timbales", "djembe", "cajon", "tabla", "castanets", "sleigh bells", "egg", "timpani", "bar chimes"],
        "hats" => ["hi hat", "hi hats", "hihat", "hihats", "hats", "hat", "hh", "ch", "oh", "chh", "ohh", "cymbal", "cymbals", "cym", "cyms", "ride", "rides", "crash", "crashes",
                   "overhead", "overheads", "splash", "china", "open hat", "closed hat"],
        "snare" => %w[snare snares snr sn sd clap claps clp rim rims rimshot rimshots sidestick brush brushes],
        "vocal" => ["lead vocal", "lead vox", "ld vox", "vocal", "vocals", "voc", "vocs", "vox", "voice", "voices", "choir", "adlib", "adlibs", "backing", "bvs", "bv", "bgv", "bgvs", "rap",
                    "singer", "sung", "acapella", "acappella", "oohs", "aahs", "harmonies", "hook vox"],
        "bass" => ["string bass", "bass guitar", "upright bass", "synth bass", "bass synth", "bass", "bassline", "sub", "subs", "subbass", "lowend", "low end", "reese", "808"],
        DRUMS => %w[drums drum drumkit kit beat beats break breaks breakbeat loop drumloop],
        "counter-melody" => ["counter melody", "counter", "countermelody", "counter line", "answer"],
        "strings" => %w[strings string strs violin violins viola violas cello cellos celli orchestra orch quartet ensemble],
        "brass" => %w[brass horn horns trumpet trumpets trombone trombones tuba sax saxophone saxes flugelhorn tpt trb],
        "guitar" => ["acoustic gtr", "guitar", "guitars", "gtr", "gtrs", "egtr", "agtr", "banjo", "mandolin", "ukulele", "uke", "strum", "acoustic", "nylon"],
        "lead" => %w[lead leads ld melody mel solo hook topline riff flute whistle recorder clarinet oboe harmonica ocarina theremin],
        "pad" => ["pad", "pads", "atmosphere", "atmos pad", "warm", "wash"],
        "chords" => ["electric piano", "e piano", "el piano", "elec piano", "upright piano", "grand piano", "chords", "chord", "chd", "keys", "key", "keyboard", "keyboards", "piano", "pianos",
                     "pno", "ep", "epiano", "rhodes piano", "organ", "org", "clav", "clavinet", "harpsichord", "celesta", "vibraphone", "vibes", "marimba", "xylophone", "glockenspiel", "glock",
                     "bell", "bells", "chimes", "harp", "accordion", "arp", "arps", "arpeggio", "arpeggiator", "pluck", "plucks", "comp", "comping", "stab", "stabs", "harmony", "harm",
                     "synth", "synths", "syn", "saw", "poly", "music box", "kalimba", "sitar", "dulcimer", "steel drum"],
        "fx" => ["fx", "sfx", "efx", "effect", "effects", "riser", "risers", "impact", "impacts", "sweep", "sweeps", "swell", "swells", "noise", "transition", "transitions", "uplifter",
                 "downlifter", "drop fx", "boom", "reverse", "rev"],
        "texture" => %w[texture textures ambience ambient amb foley room crowd vinyl drone drones field rain tape]
      }.freeze
      # Words that say something only where no other does.
      FAINT = { "bass" => %w[low lows] }.freeze

      # @param name [String] of a file or a track
      # @return [String, nil] one of CHOICES; nil when the name tells nothing
      def self.named(name)
        words = name.unicode_normalize(:nfkd).gsub(/(?<=[a-z])(?=[A-Z0-9])/, " ").downcase.gsub(/[^a-z0-9]+/, " ").strip
        [WORDS, FAINT].filter_map { |table| table.find { |_, list| list.any? { |word| words.match?(/(?:\A| )#{Regexp.escape(word)}(?: |\d*\z|\d+ )/) } }&.first }.first
      end
    end
  end
end
