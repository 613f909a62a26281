# frozen_string_literal: true

module Ethoscope
  module Measures
    module Traits
      # Sections: which there are, how long, and where they come. The way is our own.
      module Form
        # Labels without a meaning of their own.
        NAMELESS = /\A[A-Z]\z/

        # @param label [String]
        # @yieldparam label [String] where it says something
        # @return [String, nil]
        def self.named(label) = label.match?(NAMELESS) ? nil : yield(label)

        # @param bars [Integer]
        # @return [String]
        def self.lasting(bars) = "#{Readings::Words.number(bars)} #{bars == 1 ? "bar" : "bars"}"

        # @param song [SongTraits]
        # @return [Float, nil] where the chorus, or the drop, first comes, as a share of the song
        def self.first_chorus(song)
          section = song.sections.find { |one| %w[chorus drop].include?(one[:label]) } or return nil
          (section[:first_bar] - 1) / song.bars.to_f
        end

        LABELS = Trait.new(id: "form.labels", aspect: "Form", kind: :set,
          says: ->(label) { named(label) { |name| "Has #{name.match?(/\A[aeiou]/) ? "an" : "a"} #{name}" } },
          reader: ->(song) { song.sections.map { |section| section[:label] }.uniq })
        OPENING = Trait.new(id: "form.opening", aspect: "Form", kind: :category, says: ->(label) { named(label) { |name| "Opens on the #{name}" } },
          reader: ->(song) { song.sections.first&.fetch(:label) })
        USUAL = Trait.new(id: "form.usual_length", aspect: "Form", kind: :category, measure: "form.usual_length",
          says: ->(bars) { "Most sections last #{lasting(bars)}" },
          reader: ->(song) { song.lengths.tally.max_by(&:last)&.first })
        COUNT = Trait.new(id: "form.count", aspect: "Form", kind: :figure, spread: 0.25, says: ->(range) { "#{range.map(&:round).uniq.join(" to ")} sections" },
          reader: ->(song) { song.sections.size })
        CHORUS = Trait.new(id: "form.early_chorus", aspect: "Form", kind: :fact,
          says: { true => "The first chorus or drop comes in the first third", false => "The first chorus or drop comes after the first third" },
          reader: ->(song) { first_chorus(song)&.then { |share| share <= 0.34 } })
        SECONDS = Trait.new(id: "form.seconds", aspect: "Form", kind: :figure, measure: "time.duration", spread: 0.2,
          says: ->(range) { "Lasts #{range.map { |seconds| format("%<minutes>d:%<rest>02d", minutes: seconds.round / 60, rest: seconds.round % 60) }.uniq.join(" to ")}" },
          reader: ->(song) { song.vector.value("time.duration") })

        EVEN = Trait.new(id: "form.even", aspect: "Form", kind: :fact, says: { true => "All sections as long as each other", false => "Sections of several lengths" },
          reader: ->(song) { song.sections.size < 2 ? nil : song.lengths.uniq.size == 1 })
        LONG = Trait.new(id: "form.long", aspect: "Form", kind: :fact, says: { true => "Sections of sixteen bars or more", false => "No section of sixteen bars or more" },
          reader: ->(song) { song.sections.any? { |section| section[:bars] >= 16 } })
        SHORTEST = Trait.new(id: "form.shortest", aspect: "Form", kind: :category,
          says: ->(bars) { bars > 8 ? nil : "The shortest section lasts #{lasting(bars)}" },
          reader: ->(song) { song.lengths.min })
        BARS = Trait.new(id: "form.bars", aspect: "Form", kind: :figure, measure: "time.length", spread: 0.2,
          says: ->(range) { "#{range.map(&:round).uniq.join(" to ")} bars long" },
          reader: :bars.to_proc)

        TRAITS = [EVEN, LONG, SHORTEST, BARS, LABELS, OPENING, USUAL, COUNT, CHORUS, SECONDS].freeze
      end
    end
  end
end
