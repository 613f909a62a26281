# frozen_string_literal: true

require "csv"
require "open3"
require "tmpdir"

module Learning
  # Measures what {Ethoscope::Attempts::Repeatability} tells: how far two recordings come apart in a measure though nothing differs in it. Pairs of songs in which that measure
  # was not planted (other sounds, another mix, other human timing), and songs against copies of themselves.
  class RepeatabilityLearner
    # What is told in its figures, beside the tempo.
    FIGURES = Ethoscope::Attempts::Finders::Whole::FIGURES
    UNITS = { "tempo" => "%", **FIGURES.to_h { |figure| [figure.kind, figure.unit] } }.freeze
    SHARE = 0.95
    # What the truth of a pair says of the samples of both, attempt minus reference.
    SAMPLES = { "level" => :level_db, "width" => :side_db, "brightness" => :tilt_db }.freeze
    # A copy: MPEG layer 3 at 128 kb/s, ten milliseconds cut off, three decibels quieter.
    COPY = %w[-af atrim=start=0.01,volume=-3dB -b:a 128k].freeze
    # Figures by section, band and register are many in each pair, so the hundredth that is furthest apart is what counts.
    PLACE_SHARE = 0.99
    PLACES = Ethoscope::Attempts::SoundPlaces
    PLACE_UNITS = Ethoscope::Attempts::Finders::Balance::KINDS.transform_values(&:unit).freeze
    STEMS = Ethoscope::Attempts::Finders::StemSounds::FIGURES
    # What, where it was planted, speaks in them.
    SPEAKS = { "spectrum" => "brightness", "width_band" => "width", "feel" => "swing" }.freeze
    # By how much a copy is quieter on purpose.
    QUIETER = { "level" => 3.0 }.freeze

    # @param path [String] a recording
    # @return [Ethoscope::Analysis] of its copy
    def self.copied(path)
      Dir.mktmpdir do |folder|
        copy = File.join(folder, "copy.mp3")
        _, said, status = Open3.capture3("ffmpeg", "-v", "error", "-i", path, *COPY, copy)
        raise said unless status.success?

        Ethoscope::Analysis.of(Ethoscope::Audio::Decoder.new(copy).decode)
      end
    end

    # @param pairs [Array<DifferenceLearner::Pair>]
    # @param copies [Array<Array(Ethoscope::Analysis, Ethoscope::Analysis)>] a song and its copy
    def initialize(pairs, copies)
      @pairs = pairs
      @copies = copies
    end

    # @return [String] the table, as CSV
    def to_csv
      CSV.generate do |csv|
        csv << %w[measure unit pairs pairs_measured copies copies_measured]
        UNITS.each { |measure, unit| csv << [measure, unit, *limit(apart_in_pairs(measure)), *limit(apart_in_copies(measure))] }
        in_copies = readings(@copies.map { |song, copy| [song, copy, []] })
        readings(@pairs.map { |pair| [pair.reference, pair.attempt, pair.truth[:differences]] }).each do |place, (kind, apart)|
          csv << [place, PLACE_UNITS.fetch(kind), *limit(apart, PLACE_SHARE), *limit(in_copies.fetch(place, [kind, []]).last, PLACE_SHARE)]
        end
        of_stems.each { |kind, apart| csv << [kind, STEMS.fetch(kind).unit, *limit(apart, PLACE_SHARE), 0, 0] }
      end
    end

    private

    def limit(values, share = SHARE) = [values.empty? ? 0 : values.sort[((values.size - 1) * share).round].round(2), values.size]

    # By kind how far stems of one layer are apart, of which nothing is ever planted.
    def of_stems
      told = @pairs.flat_map do |pair|
        comparison = Ethoscope::Attempts::SideBySide.new(pair.reference, pair.attempt)
        comparison.alignment.laid? ? Ethoscope::Attempts::Finders::StemSounds.new(comparison.laid, Ethoscope::Attempts::Repeatability.shipped).apart : []
      end
      STEMS.keys.to_h { |kind| [kind, told.filter_map { |one, apart| apart if one == kind }] }
    end

    # By place its kind and how far it is apart wherever nothing that was planted speaks in it.
    def readings(songs)
      told = songs.flat_map do |one, other, planted|
        comparison = Ethoscope::Attempts::SideBySide.new(one, other)
        next [] unless comparison.alignment.laid?

        bars = planted.flat_map { |difference| difference[:bars].flat_map { |first, last| (first..last).to_a } }
        kinds = planted.map { |difference| difference[:kind] }
        PLACES.new(comparison.laid).all.reject { |reading| kinds.include?(SPEAKS[reading.kind]) || reading.bars.any? { |first, last| bars.intersect?((first..last).to_a) } }
      end
      told.group_by(&:place).sort.to_h { |place, group| [place, [group.first.kind, group.map { |reading| reading.apart.abs }]] }
    end

    def apart_in_pairs(measure)
      return errors(measure, SAMPLES.fetch(measure)) if SAMPLES.key?(measure)

      told = @pairs.reject { |pair| pair.truth[:differences].any? { |difference| difference[:kind] == measure } }
      told.filter_map { |pair| apart(measure, pair.reference, pair.attempt)&.abs }
    end

    # Another mix is louder, wider or brighter indeed: how far that is told wrong, beside the samples themselves.
    def errors(measure, name) = @pairs.filter_map { |pair| apart(measure, pair.reference, pair.attempt)&.then { |value| (value - pair.truth[:measured][name]).abs } }

    def apart_in_copies(measure)
      @copies.filter_map { |song, copy| apart(measure, song, copy)&.then { |value| (value + QUIETER.fetch(measure, 0.0)).abs } }
    end

    def apart(measure, one, other)
      return ((other.fetch(:tempo)[:bpm] / one.fetch(:tempo)[:bpm]) - 1) * 100 if measure == "tempo"

      figure = FIGURES.find { |figure| figure.kind == measure }
      values = [one, other].map { |analysis| figure.read.call(Ethoscope::Attempts::Prints.new(analysis)) }
      values.all? ? values.last - values.first : nil
    end
  end
end
