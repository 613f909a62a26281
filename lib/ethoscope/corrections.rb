# frozen_string_literal: true

module Ethoscope
  # What a person has put right, for readings to be derived from again. Any of bpm, meter, first_downbeat and key may be nil;
  # tempo_changes, modulations and sections are lists, empty where nothing was said.
  Corrections = Value.of(:bpm, :meter, :first_downbeat, :key, :tempo_changes, :modulations, :sections)

  # Checks what it is given.
  class Corrections
    TEMPI = (20..400)

    # From a moment on another tempo holds.
    TempoChange = Value.of(:at, :bpm)
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
    # @param tempo_changes [Array<Hash>] at (seconds) and bpm
    # @param modulations [Array<Hash>] at (seconds), tonic and mode
    # @param sections [Array<Hash>] label, letter and start (seconds), in order
    # @return [Corrections]
    # @raise [Errors::Unfit] when a value makes no sense
    def self.of(bpm: nil, meter: nil, first_downbeat: nil, key: nil, tempo_changes: [], modulations: [], sections: [])
      check_tempi([bpm, *tempo_changes.map { |change| change.fetch(:bpm) }].compact)
      new(bpm: bpm&.to_f, meter: meter && meter_of(meter), first_downbeat: first_downbeat&.to_f, key: key && key_of(key),
        tempo_changes: tempo_changes.map { |change| TempoChange.new(at: change.fetch(:at).to_f, bpm: change.fetch(:bpm).to_f) }.sort_by(&:at).freeze,
        modulations: modulations.map { |change| Modulation.new(at: change.fetch(:at).to_f, key: key_of(change)) }.sort_by(&:at).freeze,
        sections: sections.map { |section| SectionStart.new(**section.slice(:label, :letter, :start)) }.freeze)
    end

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
    def counted? = [bpm, meter, first_downbeat, *tempo_changes].any?

    # @param values [Hash{String => Hash}] what holds by aspect: "tempo" => {bpm:, changes:}, "meter" => {name:, first_downbeat:},
    #   "key" => {tonic:, mode:, modulations:}, "form" => {entries:}
    # @return [Hash] only what they put right, as arguments for {.of}; plain data, in a fixed order
    def self.arguments(values)
      tempo, meter, key, form = values.values_at("tempo", "meter", "key", "form").map { |value| value || {} }
      { bpm: tempo[:bpm]&.to_f, meter: meter[:name], first_downbeat: meter[:first_downbeat], key: key.slice(:tonic, :mode), tempo_changes: tempo[:changes],
        modulations: key[:modulations], sections: form[:entries]&.map { |entry| entry.slice(:label, :letter, :start) } }
        .reject { |_, value| value.nil? || value == [] || value == {} }
    end
  end
end
