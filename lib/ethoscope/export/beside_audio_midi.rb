# frozen_string_literal: true

module Ethoscope
  module Export
    # The same as {SongMidi}, to be laid beside the recording from its very start: what sounds before bar 1 is silence here, too.
    module BesideAudioMidi
      # @param song [Handout]
      # @return [String] the bytes of the file
      def self.write(song) = Midi::Writer.new(SongMidi.new(song.vector).score(lead_in(song)), song.title).to_s

      # @param song [Handout]
      # @return [Float] quarters before bar 1, at the tempo of bar 1
      def self.lead_in(song)
        bpm = song.vector.value("time.course")&.first or return 0.0
        song.first_bar_at * bpm * Rhythm::Meter.named(song.vector.value("time.meter")).quarters_per_beat / 60
      end
      private_class_method :lead_in
    end
  end
end
