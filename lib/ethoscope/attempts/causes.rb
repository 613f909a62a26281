# frozen_string_literal: true

module Ethoscope
  module Attempts
    # Tells one cause once: what follows from a larger thing hangs under it. The way is our own.
    class Causes
      # What may follow from what, kind by kind; of the same bars.
      FOLLOW = {
        "technique_missing" => %w[layer_missing layer_extra pattern section_level section_width], "chord" => %w[bass_octave],
        "layer_missing" => %w[pattern technique_missing technique_amount section_level section_width],
        "layer_extra" => %w[pattern technique_missing technique_amount section_level section_width]
      }.freeze
      # What follows from what is so of the whole song.
      FOLLOW_WHOLE = { "width" => %w[width_band section_width], "brightness" => %w[spectrum], "swing" => %w[feel] }.freeze
      # A layer that is not there in so much of the song takes its part of the whole sound with it.
      MOST = 0.5
      LAYERS = %w[layer_missing layer_extra].freeze
      SOUND = %w[spectrum width_band brightness width level].freeze
      # Whatever is said of bars that are not there follows from that.
      EVERYTHING = "form"
      # The share of its bars that something must have in common with its cause.
      SHARED = 0.6
      # Pieces of the kit are taken for each other: a doubtful one hangs under another that is at least so likely, in the same bars.
      LIKELY = 0.6

      # @param differences [Array<Difference>]
      # @param bars [Integer] of the reference that have their like
      def initialize(differences, bars: 0)
        @differences = differences
        @bars = bars
      end

      # @return [Array<Difference>] those that have no cause among the others
      def told
        causes = @differences.to_h { |difference| [difference, cause(difference)] }
        causes.select { |_, cause| cause.nil? }.keys.map { |difference| difference.with(under: causes.select { |_, cause| cause.equal?(difference) }.keys) }
      end

      private

      # Never one that has a cause itself.
      def cause(difference)
        @differences.find { |other| !other.equal?(difference) && follows?(difference, other) && @differences.none? { |third| follows?(other, third) && !third.equal?(other) } }
      end

      def follows?(difference, other)
        return FOLLOW_WHOLE.fetch(other.kind, []).include?(difference.kind) if other.bars.empty?
        return takes_along?(difference, other) if difference.bars.empty?
        return false unless may?(difference, other)

        own = difference.each_bar
        (own & other.each_bar).size >= SHARED * own.size
      end

      # A layer that is not there takes its part of the whole sound along.
      def takes_along?(difference, other) = LAYERS.include?(other.kind) && SOUND.include?(difference.kind) && other.each_bar.size > MOST * @bars

      def may?(difference, other)
        return true if (other.kind == EVERYTHING && difference.kind != EVERYTHING) || mistaken?(difference, other)
        return false unless FOLLOW.fetch(other.kind, []).include?(difference.kind)
        # More drums make a dull section brighter; no other technique goes by that.
        return difference.technique == "filtered_section" && kit?(other) if difference.kind == "technique_missing"

        other.kind != "technique_missing" || kit?(difference) || difference.role.nil?
      end

      def mistaken?(difference, other) = kit?(difference) && kit?(other) && difference.doubtful? && other.sure > LIKELY

      def kit?(difference) = Finders::Kit::ROLES.include?(difference.role)
    end
  end
end
