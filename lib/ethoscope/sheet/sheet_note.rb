# frozen_string_literal: true

module Ethoscope
  # What a person says about a song, laid over what was measured.
  module Sheet
    # One statement of a person about some stretch of a song: value depends on the aspect (chord, layer, mark, change, sighting,
    # technique, form); from and to are seconds into the recording, nil when it holds throughout, so that it keeps its place
    # when bars are counted anew.
    SheetNote = Value.of(:id, :aspect, :value, :from, :to, :source, :state, :note)

    # Knows whether it still stands.
    class SheetNote
      # @return [Boolean] false when it was replaced, or a person's own statement was taken back
      def standing? = state != "corrected" && (state != "refuted" || source == "measured")

      # @return [Boolean] true when it takes away what was measured
      def refuted? = state == "refuted"
    end
  end
end
