# frozen_string_literal: true

module Ethoscope
  module Measures
    module Traits
      # Tempo, meter and swing. The way is our own.
      module Time
        # Up to here one hears straight.
        STRAIGHT = 0.53
        # Up to so many beats a minute.
        PACES = { "slow" => 80, "walking" => 110, "brisk" => 140, "fast" => Float::INFINITY }.freeze

        # @param tempos [Array<Float>] one, or the slowest and the fastest
        # @return [String]
        def self.told(tempos) = tempos.one? ? "At #{tempos.first} BPM" : "Between #{tempos.join(" and ")} BPM"

        TEMPO = Trait.new(id: "time.tempo", aspect: "Tempo", kind: :figure, measure: "time.tempo", spread: 0.15,
          says: ->(range) { told(range.map { |bpm| bpm.round(1) }.uniq) }, reader: ->(song) { song.vector.bpm })
        METER = Trait.new(id: "time.meter", aspect: "Meter", kind: :category, measure: "time.meter", says: ->(meter) { "In #{meter}" },
          reader: ->(song) { song.vector.value("time.meter") })
        SWING = Trait.new(id: "time.swing", aspect: "Feel", kind: :fact, measure: "groove.swing", says: { true => "Swung", false => "Straight, not swung" },
          reader: ->(song) { song.vector.value("groove.swing")&.then { |swing| swing[:ratio] > STRAIGHT } })

        PACE = Trait.new(id: "time.pace", aspect: "Tempo", kind: :category, measure: "time.tempo",
          says: { "slow" => "Slower than 80 BPM", "walking" => "Between 80 and 110 BPM", "brisk" => "Between 110 and 140 BPM", "fast" => "Faster than 140 BPM" },
          reader: ->(song) { song.vector.bpm&.then { |bpm| PACES.find { |_, most| bpm < most }.first } })

        TRAITS = [PACE, TEMPO, METER, SWING].freeze
      end
    end
  end
end
