# frozen_string_literal: true

module Ethoscope
  module Measures
    # An analysis in another tempo and key: what its {Vector} tells there is what the measures restate. The way is our own.
    class RestatedSong
      # @param data [Hash] of an analysis, or of a sheet, symbol keys
      # @param restatement [Restatement]
      def initialize(data, restatement)
        @data = data
        @to = restatement
      end

      # @return [Hash] everything in the new tempo and key, on its clock
      def to_h
        told = over_sound
        told.merge(RestatedTime.new(told, @to).placed)
      end

      # @return [Hash] the same, but seconds are still those of the recording: for whatever is played beside it
      def over_sound
        moved = @data.merge(RestatedPitch.new(@data, @to).to_h)
        moved.merge(RestatedTime.new(moved, @to).said)
      end
    end
  end
end
