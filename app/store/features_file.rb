# frozen_string_literal: true

require "json"

module Store
  # Keeps {Ethoscope::Engine::Features} in a file, so that readings can be derived again without the sound: one line of JSON that says what
  # follows, then the arrays as 32-bit floats.
  module FeaturesFile
    # Changes when the layout does; a file of another one is not read.
    LAYOUT = 3
    PLAIN = %i[duration channels peak true_peak].freeze
    CLUES = %i[treble bass turns notes chords].freeze

    # @param features [Ethoscope::Engine::Features]
    # @param path [String] written beside and renamed, so that nobody reads half a file
    def self.write(features, path)
      arrays = arrays_of(features)
      head = PLAIN.to_h { |name| [name, features.public_send(name)] }
                  .merge(layout: LAYOUT, shapes: arrays.transform_values(&:shape), tuning: features.tuning.to_h,
                    hop_seconds: features.field.hop_seconds, short_rate: features.short.rate, centres: features.short.centres,
                    spectra_rate: features.spectra.rate, step: features.clues.step,
                    echo_block: features.echoes.block_seconds, echo_lag: features.echoes.lag_seconds)
      partial = "#{path}.#{Process.pid}.part"
      File.open(partial, "wb") do |file|
        file.puts(JSON.generate(head))
        arrays.each_value { |array| file.write(array.to_binary) }
      end
      File.rename(partial, path)
    end

    # @param path [String]
    # @return [Ethoscope::Engine::Features, nil] nil when there is no such file, or one that is cut off or of another layout
    def self.read(path)
      File.open(path, "rb") do |file|
        head = JSON.parse(file.gets.to_s, symbolize_names: true)
        return nil unless head[:layout] == LAYOUT

        build(head, head[:shapes].transform_values { |shape| array(file, shape) })
      end
    rescue Errno::ENOENT, JSON::ParserError, ArgumentError
      nil
    end

    def self.arrays_of(features)
      field = features.field
      { weighted: Numo::SFloat.cast(field.weighted), left: field.left, right: field.right, product: field.product, short: features.short.bands,
        spectra: features.spectra.frames, echoes: features.echoes.curves, **features.clues.to_h.slice(*CLUES) }
    end
    private_class_method :arrays_of

    def self.array(file, shape)
      return Numo::SFloat.zeros(*shape) if shape.include?(0)

      bytes = file.read(shape.reduce(:*) * 4)
      raise ArgumentError, "the file is cut off" unless bytes&.bytesize == shape.reduce(:*) * 4

      Numo::SFloat.from_binary(bytes).reshape(*shape)
    end
    private_class_method :array

    def self.build(head, arrays)
      field = Ethoscope::Audio::SoundField.new(weighted: Numo::DFloat.cast(arrays[:weighted]), **arrays.slice(:left, :right, :product), hop_seconds: head[:hop_seconds])
      Ethoscope::Engine::Features.new(**head.slice(*PLAIN), field:, tuning: Ethoscope::Harmony::Tuning.new(**head[:tuning]),
        short: Ethoscope::Signal::ShortTime.new(arrays[:short], head[:centres], head[:short_rate]),
        spectra: Ethoscope::Signal::LogSpectra.new(arrays[:spectra], head[:spectra_rate]),
        clues: Ethoscope::Rhythm::HarmonicClues.new(**arrays.slice(*CLUES), step: head[:step]),
        echoes: Ethoscope::Audio::Echoes.new(curves: arrays[:echoes], block_seconds: head[:echo_block], lag_seconds: head[:echo_lag]))
    end
    private_class_method :build
  end
end
