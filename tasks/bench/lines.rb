# frozen_string_literal: true

module Bench
  # How many notes of the corpus' MIDI files are told: of the bass on the mix, and of monophonic stems where they stand beside a song. A note is right when it
  # begins within 50 ms of one that is written, with its pitch; each written note is found once.
  class Lines
    NEAR = 0.05
    ROLES = %w[bass lead].freeze
    # A stem is told as a line when so few of its written notes begin with another.
    ALONE = 0.95

    # @param folder [String] songs with truth and NAME.mid, and NAME.stems where there are some
    def initialize(folder)
      @folder = File.expand_path(folder)
    end

    # Prints precision, recall and F by song and of all notes together.
    def run
      counts = Hash.new { |all, kind| all[kind] = [0, 0, 0] }
      Learning::Corpus.new(@folder).songs.each do |song|
        written = Learning::Written.of(song) or next
        of_song(song, written).each do |kind, count|
          puts "#{song.name} #{kind}: #{figures(*count)}"
          counts[kind] = counts[kind].zip(count).map(&:sum)
        end
      end
      counts.each { |kind, count| puts "all #{kind}: #{figures(*count)}" }
    end

    private

    def of_song(song, written)
      mix = song.features
      heard = Ethoscope::Analysis.of(features: mix).fetch(:bass)[:notes].select { |note| note[:sure] >= Ethoscope::Harmony::BassLine::SHOWN }
      bass = heard.map { |note| note.values_at(:start, :pitch) }
      counts = { "bass on the mix" => matched(bass, written.timed("bass")) }
      stems(song, mix).each do |stem|
        notes = written.timed(stem.role)
        next if notes.empty? || notes.count { |_, pitches| pitches.size == 1 } < ALONE * notes.size

        line = Ethoscope::Stems::Line.new(stem.features, stem.role).notes.map { |note| [stem.in_mix(note.start), note.pitch] }
        counts["#{stem.role} stem"] = matched(line, notes)
      end
      counts.reject { |_, count| count.last.zero? }
    end

    def stems(song, mix)
      folder = song.path.sub(/\.\w+\z/, ".stems")
      return [] unless File.directory?(folder)

      Cli::Beside.new(stems: folder, err: File.open(File::NULL, "w")).sources(mix).stems.select { |stem| ROLES.include?(stem.role) }
    end

    # Right, told, written.
    def matched(told, written)
      found = {}
      right = told.count do |time, pitch|
        place = written.index.with_index { |(at, pitches), i| !found[i] && (at - time).abs <= NEAR && pitches.include?(pitch) }
        found[place] = true if place
        place
      end
      [right, told.size, written.size]
    end

    def figures(right, told, written)
      format("precision %<precision>.3f, recall %<recall>.3f, F %<f>.3f (%<right>d of %<told>d told, %<written>d written)",
        precision: right.fdiv([told, 1].max), recall: right.fdiv([written, 1].max), f: 2.0 * right / [told + written, 1].max, right:, told:, written:)
    end
  end
end
