# frozen_string_literal: true

module Ethoscope
  # What a person has put right, for readings to be derived from again. Any of bpm, meter, first_downbeat and key may be nil;
  # tempo_changes, bar_lines, modulations and sections are lists, empty where nothing was said. With follows the tempo is the count of what is
  # played, wherever that goes; without it beats are even, exactly as told.
  Corrections = Value.of(:bpm, :follows, :meter, :first_downbeat, :bar_lines, :key, :tempo_changes, :modulations, :sections)

  # Checks what it is given.
  class Corrections
    TEMPI = (20..400)

    # From a moment on another tempo holds; where it moves to another within so many bars, that one holds after them.
    TempoChange = Value.of(:at, :bpm, :to, :bars) do
      # @return [Boolean]
      def ramp? = !to.nil?
    end
    # From a moment on another key holds.
    Modulation = Value.of(:at, :key)

    # A section that starts at a moment.
    SectionStart = Value.of(:label, :letter, :start)

    # @return [Corrections] nothing was put right
    def self.none = of

    # @param bpm [Numeric, nil] beats per minute
    # @param meter [String, nil] such as "3/4"
    # @param first_downbeat [Numeric, nil] seconds of a moment that is a downbeat
    # @param key [Hash, nil] tonic and mode
    # @param follows [Boolean] whether beats go with the playing
    # @param bar_lines [Array<Numeric>] seconds of moments at which a bar begins, whatever was counted before
    # @param tempo_changes [Array<Hash>] at (seconds) and bpm; for a ramp also to (its last tempo) and bars (how long it takes)
    # @param modulations [Array<Hash>] at (seconds), tonic and mode
    # @param sections [Array<Hash>] label, letter and start (seconds), in order
    # @return [Corrections]
    # @raise [Errors::Unfit] when a value makes no sense
    def self.of(bpm: nil, follows: false, meter: nil, first_downbeat: nil, bar_lines: [], key: nil, tempo_changes: [], modulations: [], sections: [])
      check_tempi([bpm, *tempo_changes.flat_map { |change| change.values_at(:bpm, :to) }].compact)
      new(bpm: bpm&.to_f, follows:, meter: meter && meter_of(meter), first_downbeat: first_downbeat&.to_f, key: key && key_of(key),
        bar_lines: bar_lines.map(&:to_f).sort.freeze, tempo_changes: tempo_changes.map { |change| tempo_change(**change) }.sort_by(&:at).freeze,
        modulations: modulations.map { |change| Modulation.new(at: change.fetch(:at).to_f, key: key_of(change)) }.sort_by(&:at).freeze,
        sections: sections.map { |section| SectionStart.new(**section.slice(:label, :letter, :start)) }.freeze)
    end

    def self.tempo_change(at:, bpm:, to: nil, bars: nil)
      raise Errors::Unfit, "a ramp needs the tempo it goes to and the bars it takes" unless to.nil? == bars.nil?
      raise Errors::Unfit, "a ramp takes at least one bar" if bars && bars < 1

      TempoChange.new(at: at.to_f, bpm: bpm.to_f, to: to&.to_f, bars: bars&.to_i)
    end
    private_class_method :tempo_change

    def self.check_tempi(tempi)
      raise Errors::Unfit, "a tempo lies between 20 and 400 BPM" unless tempi.all? { |bpm| TEMPI.cover?(bpm) }
    end
    private_class_method :check_tempi

    def self.meter_of(name)
      names = Rhythm::Meter::ALL.map(&:name)
      raise Errors::Unfit, "the meter #{name} is not known; choose one of #{names.join(", ")}" unless names.include?(name)

      Rhythm::Meter.named(name)
    end
    private_class_method :meter_of

    def self.key_of(hash)
      tonic, mode = hash.values_at(:tonic, :mode)
      raise Errors::Unfit, "#{tonic} is no note; write a tonic such as Eb or F#" unless tonic.to_s.match?(Harmony::PitchClass::NAME)
      raise Errors::Unfit, "the mode #{mode} is not known; choose one of #{Harmony::Key::MODES.join(", ")}" unless Harmony::Key::MODES.include?(mode)

      Harmony::Key.named(tonic, mode)
    end
    private_class_method :key_of

    # @return [Boolean] whether a person said how to count
    def counted? = [bpm, meter, first_downbeat, *bar_lines, *tempo_changes].any?

    # @param values [Hash{String => Hash}] what holds by aspect: "tempo" => {bpm:, follows:, changes:}, "meter" => {name:, first_downbeat:, lines:},
    #   "key" => {tonic:, mode:, modulations:}, "form" => {entries:}
    # @return [Hash] only what they put right, as arguments for {.of}; plain data, in a fixed order
    def self.arguments(values)
      tempo, meter, key, form = values.values_at("tempo", "meter", "key", "form").map { |value| value || {} }
      { bpm: tempo[:bpm]&.to_f, follows: tempo[:follows] || nil, meter: meter[:name], first_downbeat: meter[:first_downbeat], bar_lines: meter[:lines],
        key: key.slice(:tonic, :mode), tempo_changes: tempo[:changes],
        modulations: key[:modulations], sections: form[:entries]&.map { |entry| entry.slice(:label, :letter, :start) } }
        .reject { |_, value| value.nil? || value == [] || value == {} }
    end
  end
end
