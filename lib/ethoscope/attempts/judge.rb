# frozen_string_literal: true

module Ethoscope
  module Attempts
    # How close an attempt came to each item of a checklist. Where a comparison bar by bar tells a measure, it decides: what it finds no difference in is near enough, for
    # measurement can't tell it from the reference. Other measures are held against the attempt's own. What neither tells stays with the ear. The way is our own.
    class Judge
      # Kinds of differences that speak against a target, by its measure.
      TOLD = {
        "time.tempo" => %w[tempo], "harmony.key" => %w[key], "groove.swing" => %w[swing], "mix.loudness" => %w[level], "mix.range" => %w[range], "mix.width" => %w[width],
        "mix.spectrum" => %w[brightness spectrum], "mix.level" => %w[section_level], "mix.widths" => %w[section_width],
        "mix.registers" => %w[width_band], "form.lengths" => %w[form form_added], "form.section" => %w[form form_added], "time.length" => %w[form form_added],
        "harmony.chords" => %w[chord], "harmony.loop" => %w[chord], "groove.steps" => %w[pattern layer_missing layer_extra], "layers.plays" => %w[layer_missing layer_extra],
        "layers.bars" => %w[layer_missing layer_extra], "techniques.technique" => %w[technique_missing technique_amount]
      }.freeze
      # Roles of which {TOLD} is true, of the measures that are read by role.
      HEARD = %w[kick snare hats bass].freeze
      # Of the bars of a target so large a share may differ for it to be in the ballpark.
      BALLPARK = 0.25

      # @param comparison [SideBySide]
      # @param attempt [Analysis] settled
      # @param wishes [Wishes]
      # @param reference [Analysis] settled
      def initialize(comparison, attempt, wishes, reference)
        @comparison = comparison
        @bars = comparison.alignment.bars
        vector = Measures::Vector.of(AsLaid.of(attempt, comparison.alignment, reference))
        @reach = Reach.new(vector, Measures::Restatement.new(from_bpm: vector.bpm, to_bpm: wishes.bpm || comparison.alignment.reference_bpm, from_key: vector.key, to_key: nil,
          semitones: (wishes.semitones(reference) || 0) - comparison.alignment.semitones))
      end

      # @param targets [Array<Measures::Target>] of one item
      # @return [Reach::Verdict]
      def of(targets)
        return Reach::Verdict.new(closeness: nil, targets: [], words: []) unless @comparison.alignment.laid?

        judged = targets.filter_map { |target| judged(target) }
        Reach::Verdict.new(closeness: Reach.worst(judged), targets: judged, words: targets.flat_map { |target| against(target) }.uniq.map(&:words))
      end

      private

      def judged(target)
        return nil if Reach::BY_EAR.include?(target.measure)

        told?(target) ? compared(target) : measured(target)
      end

      def told?(target) = TOLD.key?(target.measure) && (target.place.role.nil? || HEARD.include?(target.place.role))

      # The differences that speak against a target.
      def against(target)
        return [] unless told?(target)

        kinds = TOLD.fetch(target.measure)
        @comparison.differences.flat_map { |difference| [difference, *difference.under] }.select do |difference|
          kinds.include?(difference.kind) && (target.place.role.nil? || difference.role == target.place.role) && share(target,
            difference).positive? && technique?(target, difference)
        end
      end

      def technique?(target, difference) = difference.technique.nil? || target.value[:kind].nil? || target.value[:kind] == difference.technique

      # The share of the target's bars in which a difference is.
      def share(target, difference)
        place = target.place
        return 1.0 if difference.bars.empty? || place.first_bar.nil?

        own = (place.first_bar..place.last_bar).to_a
        (own & difference.each_bar).size / own.size.to_f
      end

      def compared(target)
        against = against(target)
        verdict = measured(target)
        closeness = against.empty? ? near(verdict) : against.map { |difference| apart(target, difference) }.max_by { |one| Measures::Closeness::ALL.index(one) }
        unless verdict
          return Reach::Target.new(measure: target.measure, place: target.place.to_h, here: target.words, there: nil, distance: nil, tolerance: target.tolerance,
            unit: target.kind.unit, closeness:)
        end

        verdict.class.new(**verdict.to_h, closeness:)
      end

      # No difference was found: exact where the figures say so too, or else as near as can be told.
      def near(verdict) = verdict&.closeness == "exact" ? "exact" : "close"

      def apart(target, difference)
        return "ballpark" if difference.doubtful?
        return %w[exact close].include?(difference.closeness) ? "ballpark" : difference.closeness if difference.bars.empty? || target.place.first_bar.nil?

        share(target, difference) <= BALLPARK ? "ballpark" : "missing"
      end

      # Held against what was measured of the attempt; nil where it does not tell that.
      def measured(target) = @reach.of(target, there_place(target.place))

      # Where in the attempt the bars of a target lie; nil where they are cut.
      def there_place(place)
        return place if place.first_bar.nil?

        laid = (place.first_bar..place.last_bar).filter_map { |bar| @bars[bar] }
        laid.empty? ? nil : place.with(first_bar: laid.min, bars: laid.max - laid.min + 1)
      end
    end
  end
end
