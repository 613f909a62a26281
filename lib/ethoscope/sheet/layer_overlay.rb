# frozen_string_literal: true

module Ethoscope
  module Sheet
    # What a person painted over what was measured: a painted layer takes the place of the measured one of its name, or else of those of
    # its role. A card on which nothing was painted yet takes no place, unless nothing else tells of that layer.
    class LayerOverlay
      # @param measured [Array<Hash>] layers in the schema
      # @param painted [Array<Hash>] {Sheet::PaintedLayer#to_h}
      def initialize(measured, painted)
        @measured = measured
        @painted = painted
      end

      # @return [Array<Hash>] measured layers that still hold
      def measured = @measured.reject { |layer| painted.any? { |own| covers?(own, layer) } }

      # @return [Array<Hash>] painted layers that count
      def painted = @painted.select { |own| own[:levels].any?(&:positive?) || @measured.none? { |layer| covers?(own, layer) } }

      private

      def covers?(own, layer)
        return layer[:name] == own[:name] if @measured.any? { |other| other[:name] == own[:name] }

        own[:role] && own[:role] == layer[:role]
      end
    end
  end
end
