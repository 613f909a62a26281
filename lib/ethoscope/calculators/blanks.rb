# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Blanks that several sentences have.
    module Blanks
      TEMPI = (20..400)
      METERS = Rhythm::Meter::ALL.map(&:name).freeze
      RATES = %w[44100 48000 88200 96000].freeze

      BPM = Blank.new(name: :bpm, about: "Tempo", unit: "BPM", among: TEMPI, usual: "120")
      METER = Blank.new(name: :meter, about: "Meter", kind: :choice, among: METERS, usual: "4/4")
      RATE = Blank.new(name: :rate, about: "Sample rate", kind: :choice, unit: "Hz", among: RATES, usual: "48000")
      A4 = Blank.new(name: :a4, about: "Concert pitch", unit: "Hz", among: 400..480, usual: "440")
      KEY = Blank.new(name: :key, about: "Key", kind: :key, usual: "C major")
    end
  end
end
