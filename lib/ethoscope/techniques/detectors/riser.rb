# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A sweep of noise that climbs up to a section. How it is recognised is our own.
      module Riser
        KIND = "riser"

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          rises = scene.rises or return []
          rises.list.reject { |rise| rises.swell?(rise) }.map { |rise| rises.sighting(rise, KIND) }
        end
      end
    end
  end
end
