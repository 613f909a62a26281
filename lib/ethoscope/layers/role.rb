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

      # Words that name a role, the telling ones first: "bass drum" is a kick, "hi-hat reverb" is a return.
      WORDS = {
        RETURN => %w[reverb verb return returns echoes send sends delays],
        "kick" => ["bass drum", "kick", "kik", "bd", "kck"],
        "hats" => ["hi hat", "hihat", "hats", "hat", "hh", "cymbal", "cymbals", "ride", "crash", "overheads"],
        "snare" => %w[snare snr sd clap claps rim rimshot],
        "percussion" => %w[percussion perc shaker shakers tambourine conga congas bongo bongos toms tom cowbell clave claves],
        DRUMS => %w[drums drum kit beat break breaks loop],
        "bass" => %w[bass sub lowend],
        "vocal" => %w[vocal vocals vox voice voices choir adlib adlibs backing],
        "counter-melody" => ["counter melody", "counter", "countermelody"],
        "lead" => %w[lead melody solo hook topline riff flute whistle],
        "pad" => %w[pad pads atmosphere],
        "strings" => %w[strings string violin violins viola cello orchestra],
        "brass" => %w[brass horn horns trumpet trombone sax saxophone saxes],
        "guitar" => %w[guitar guitars gtr],
        "chords" => %w[chords chord keys piano organ epiano arp arpeggio pluck comp stab stabs harmony synth],
        "fx" => %w[fx sfx effects riser risers impact sweep swell swells noise transition],
        "texture" => %w[texture ambience ambient foley room crowd vinyl drone]
      }.freeze

      # @param name [String] of a file or a track
      # @return [String, nil] one of CHOICES; nil when the name tells nothing
      def self.named(name)
        words = name.unicode_normalize(:nfkd).gsub(/(?<=[a-z])(?=[A-Z0-9])/, " ").downcase.gsub(/[^a-z0-9]+/, " ").strip
        WORDS.find { |_, list| list.any? { |word| words.match?(/(?:\A| )#{Regexp.escape(word)}(?: |\d*\z|\d+ )/) } }&.first
      end
    end
  end
end
