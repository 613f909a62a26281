# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A sound played backwards, or drawn so, that swells into a section and stops on its first beat. How it is recognised is our own.
      module ReverseSwell
        KIND = "reverse_swell"

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          rises = scene.rises or return []
          rises.list.select { |rise| rises.swell?(rise) }.map { |rise| rises.sighting(rise, KIND) }
        end
      end
    end
  end
end
