# frozen_string_literal: true

module Ethoscope
  module Export
    # A song as a standard MIDI file: tempo map, time signature, key, section markers, chords as voiced, the bass line, leads, and a track for each piece of the kit.
    # Bar 1 of the song is bar 1 of the file; a pickup is left out, but for a chord that goes on from it.
    class SongMidi
      # @param song [Handout]
      # @return [String] the bytes of the file
      def self.write(song) = Midi::Writer.new(new(song.vector).score, song.title).to_s

      # @param vector [Measures::Vector]
      def initialize(vector)
        @vector = vector
        @parts = SongParts.new(vector)
        @meter = @parts.meter
      end

      # @param lead_in [Float] quarters before bar 1
      # @return [Midi::Score]
      def score(lead_in = 0.0)
        Midi::Score.new(tracks: tracks.map { |track| late(track, lead_in) }, tempos: tempos(lead_in), keys: keys(lead_in), warnings: [],
          meters: [Midi::Score::TimeSignature.new(at: lead_in, numerator: @meter.numerator, denominator: @meter.denominator)],
          markers: @parts.sections.map { |place| Midi::Score::Marker.new(at: lead_in + @parts.bar_place(place.first_bar), text: place.title) })
      end

      private

      def tracks
        [track("Chords", chords), track("Bass", @parts.bass), *@parts.leads.map { |name, notes| track(Readings::Words.signs(name), notes) },
         *@parts.drums.map { |piece, notes| track("Drums: #{piece}", notes) }].reject { |track| track.notes.empty? }
      end

      def track(name, notes) = Midi::Score::Track.new(name:, program: nil, notes:)

      def chords
        @parts.chords.flat_map do |chord|
          chord.pitches.map do |pitch|
            Midi::Note.new(start: chord.start, length: chord.length, pitch:, velocity: SongParts::CHORD_VELOCITY, channel: SongParts::CHANNELS[:chords])
          end
        end
      end

      # MIDI counts quarters; a beat may be a dotted quarter or an eighth. A moving tempo has a figure for each bar; the first one holds before bar 1, too.
      def tempos(lead_in)
        course = @vector.value("time.course") or return [Midi::Score::Tempo.new(at: 0, bpm: Midi::Score::USUAL_BPM)]
        course.each_with_index.map do |bpm, i|
          Midi::Score::Tempo.new(at: i.zero? ? 0 : lead_in + @parts.bar_place(i + 1), bpm: bpm * @meter.quarters_per_beat)
        end
      end

      # MIDI knows major and minor; other modes are written by their signature.
      def keys(lead_in)
        key = @vector.key or return []
        [Midi::Score::KeySignature.new(at: lead_in, fifths: key.signature.clamp(-7, 7), minor: key.minor?)]
      end

      def late(track, lead_in)
        lead_in.zero? ? track : Midi::Score::Track.new(name: track.name, program: track.program, notes: track.notes.map { |note| moved(note, lead_in) })
      end

      def moved(note, lead_in) = Midi::Note.new(start: note.start + lead_in, length: note.length, pitch: note.pitch, velocity: note.velocity, channel: note.channel)
    end
  end
end
