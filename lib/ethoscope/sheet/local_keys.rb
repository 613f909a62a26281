# frozen_string_literal: true

module Ethoscope
  module Sheet
    # Which key holds in which bar of an analysis.
    class LocalKeys
      # @param data [Hash] the analysis schema
      def initialize(data)
        found = data[:key]
        @main = found ? named(found) : Harmony::Key.named("C", "major")
        stretches = found ? found[:stretches] : []
        @stretches = stretches.size > 1 ? stretches : []
      end

      # @param bar [Integer]
      # @return [Harmony::Key]
      def at(bar)
        stretch = @stretches.find { |candidate| bar.between?(candidate[:first_bar], candidate[:last_bar]) }
        stretch ? named(stretch) : @main
      end

      private

      def named(hash) = Harmony::Key.named(hash[:tonic], hash[:mode])
    end
  end
end
