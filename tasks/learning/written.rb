# frozen_string_literal: true

module Learning
  # The notes that NAME.mid holds of a song of the corpus, with swing taken out, in quarters from its first beat; and its truth's beats.
  class Written
    Rhythm = Ethoscope::Rhythm
    # Roles by what the corpus calls its parts, up to the first dot.
    ROLES = { "kick" => "kick", "snare" => "snare", "clap" => "snare", "hats" => "hats", "ride" => "hats", "crash" => "hats", "bass" => "bass", "sub" => "bass", "lead" => "lead",
              "lead2" => "lead" }.freeze
    # A ratio up to this one is played straight.
    STRAIGHT = 0.53
    # Notes that begin together, in seconds.
    TOGETHER = 0.03

    # @param song [Corpus::Song]
    # @return [Written, nil] nil where there is no such file
    def self.of(song)
      path = song.path.sub(/\.\w+\z/, ".mid")
      File.exist?(path) ? new(Ethoscope::Midi::ScoreReader.read(File.binread(path)), song.truth) : nil
    end

    # @param song [Corpus::Song]
    # @return [Array(Written, Rhythm::DrumSteps), nil] the notes, and what is heard of the kit on the truth's steps; nil without notes
    def self.heard(song)
      written = of(song)
      grid = written&.grid or return nil
      [written, Rhythm::DrumSteps.of(song.features.short, Rhythm::StepGrid.new(grid, written.swing))]
    end

    # @param truth [Hash]
    # @return [Rhythm::BeatGrid, nil] of the truth; nil where it holds no whole bar
    def self.grid(truth)
      meter = Rhythm::Meter.named(truth[:meter])
      beats = truth[:beats]
      pickup = beats.index { |time| (time - truth[:downbeats].first).abs < 0.02 } || 0
      bars = (beats.size - pickup) / meter.beats
      edges = [*beats, (2 * beats[-1]) - beats[-2]].first(pickup + (bars * meter.beats) + 1)
      bars.positive? ? Rhythm::BeatGrid.new(edges:, pickup:, meter:) : nil
    end

    # @param score [Ethoscope::Midi::Score]
    # @param truth [Hash]
    def initialize(score, truth)
      @score = score
      @truth = truth
    end

    # @return [Rhythm::BeatGrid, nil] see {Written.grid}
    def grid = self.class.grid(@truth)

    # @return [Rhythm::Swing]
    def swing = Rhythm::Swing.new(**@truth[:swing].slice(:unit, :ratio), confidence: 1.0)

    # @param role [String]
    # @return [Array<Midi::Note>]
    def notes(role) = @score.tracks.select { |track| ROLES[track.name.split(".").first] == role }.flat_map(&:notes)

    # @param role [String]
    # @return [Array<Array(Float, Array<Integer>)>] seconds in the recording, and the pitches that begin there
    def timed(role)
      notes = notes(role).map { |note| [@score.seconds(note.start) + @truth[:downbeats].first, note.pitch] }.sort
      notes.slice_when { |one, other| other.first - one.first > TOGETHER }.map { |group| [group.first.first, group.map(&:last)] }
    end

    # @param role [String]
    # @param bars [Integer]
    # @param steps [Integer] sixteenths in a bar
    # @return [Numo::DFloat] shape [bars, steps], 1 where the role is struck
    def struck(role, bars, steps)
      out = Numo::DFloat.zeros(bars, steps)
      notes(role).each do |note|
        bar, step = (straight(note.start) * 4).round.divmod(steps)
        out[bar, step] = 1 if bar.between?(0, bars - 1)
      end
      out
    end

    # @return [Array<Range<Integer>>] the bars of each section, from 0, end exclusive
    def sections
      first = 0
      @truth[:sections].map { |section| first...(first += section[:bars]) }
    end

    private

    def straight(quarters)
      ratio = @truth[:swing][:ratio]
      return quarters if ratio <= STRAIGHT

      unit = @truth[:swing][:unit] == "8th" ? 1.0 : 0.5
      whole, share = (quarters / unit).divmod(1)
      (whole + (share < ratio ? share / ratio / 2 : 0.5 + ((share - ratio) / (1 - ratio) / 2))) * unit
    end
  end
end
