# frozen_string_literal: true

require "midilib"
require "midilib/io/midifile"
require "stringio"

module Ethoscope
  module Midi
    # Reads a standard MIDI file of type 0 or 1 into a {Score} (Standard MIDI Files 1.0, MIDI Manufacturers Association). It trusts
    # nothing: what can be mended is mended and said in the score's warnings, the rest is refused with a sentence.
    class ScoreReader < MIDI::IO::MIDIFile
      MAX_BYTES = 16 << 20
      MAX_NOTES = 500_000
      # No song is longer than a recording may be.
      MAX_SECONDS = 20 * 60
      # Bytes of the first chunk, its name and length among them.
      HEAD = 14
      # A note that is never ended, or held longer than this many quarters, sounds this long instead.
      LONGEST = 64.0
      MENDED = 1.0
      # Notes without a length are what drum machines write; they get a sixteenth's half.
      SHORTEST = 0.125
      TEXT = 120

      # @param bytes [String] the whole file
      # @return [Score]
      # @raise [Errors::UnreadableScore] when it is no MIDI file, is cut off before any note, or holds no notes
      def self.read(bytes) = new.read(bytes)

      def initialize
        super
        @skip_init = false
        @tracks = []
        @tempos = []
        @meters = []
        @keys = []
        @markers = []
        @counts = Hash.new(0)
      end

      # @param bytes [String]
      # @return [Score]
      # @raise [Errors::UnreadableScore]
      def read(bytes)
        check(bytes)
        parse(bytes)
        refuse("This MIDI file holds no notes.") if @tracks.sum { |track| track.notes.size }.zero?
        score.tap { |read| check_length(read.seconds(read.length)) }
      end

      # What midilib calls for each thing that it reads.

      # Refuses what can not be read, and keeps the pulses of a quarter.
      def header(format, _tracks, division)
        refuse("This MIDI file is of type #{format}; Ethoscope reads types 0 and 1.") unless [0, 1].include?(format)
        refuse("This MIDI file counts in frames of film; export it with bars and beats.") unless division.positive?
        @division = division.to_f
      end

      # Begins a track.
      def start_track
        @name = nil
        @programs = {}
        @open = Hash.new { |hash, key| hash[key] = [] }
        @notes = []
      end

      # Ends what still sounds, and keeps the track.
      def end_track
        @open.each { |(channel, pitch), starts| starts.each { |start, velocity| close(channel, pitch, start, velocity, MENDED, :hanging) } }
        channel = @notes.first&.channel
        @tracks << Score::Track.new(name: @name || "Track #{@tracks.size + 1}", program: @programs[channel], notes: @notes.sort_by { |note| [note.start, note.pitch] }.freeze)
        @open = nil
      end

      # Begins a note, or ends one when it has no velocity.
      def note_on(channel, pitch, velocity)
        return note_off(channel, pitch, 0) if velocity.zero?

        refuse("This MIDI file holds more than #{MAX_NOTES} notes.") if (@counts[:notes] += 1) > MAX_NOTES
        @open[[channel, pitch]] << [place, velocity]
      end

      # The note of that pitch that began first ends first; another that began before has overlapped it.
      def note_off(channel, pitch, _velocity)
        start, velocity = @open[[channel, pitch]].shift
        return if start.nil?

        @counts[:overlapping] += 1 if @open[[channel, pitch]].any? { |other, _| other < place }

        length = place - start
        kind = if length > LONGEST then :hanging
               elsif length.zero? then :empty
               end
        close(channel, pitch, start, velocity, { hanging: MENDED, empty: SHORTEST }.fetch(kind, length), kind)
      end

      # The first program of a channel counts.
      def program(channel, program) = @programs[channel] ||= program

      # Keeps a tempo that is possible.
      def tempo(microseconds)
        return @counts[:tempo] += 1 unless microseconds.between?(60_000_000 / 1000, 60_000_000 / 10)

        @tempos << Score::Tempo.new(at: place, bpm: (60_000_000.0 / microseconds).round(3))
      end

      # Keeps a time signature that is possible.
      def time_signature(numerator, power, _clocks, _quarters)
        return @counts[:meter] += 1 unless numerator.between?(1, 32) && power.between?(0, 5)

        @meters << Score::TimeSignature.new(at: place, numerator:, denominator: 2**power)
      end

      # Keeps a key signature that is possible.
      def key_signature(sharps, minor)
        fifths = sharps > 127 ? sharps - 256 : sharps
        @keys << Score::KeySignature.new(at: place, fifths:, minor:) if fifths.between?(-7, 7)
      end

      # Keeps names of tracks and markers.
      def text(type, bytes)
        words = Plain.text(bytes.pack("C*"))[0, TEXT].strip
        return if words.empty?

        @markers << Score::Marker.new(at: place, text: words) if type == MIDI::META_MARKER
        @name ||= words if type == MIDI::META_SEQ_NAME
      end

      # midilib's own message names the byte; where that was helps nobody here.
      def error(_message) = raise(EOFError)

      private

      # What was read so far.
      def score
        Score.new(tracks: @tracks.reject { |track| track.notes.empty? }, tempos: tempos, meters: meters, keys: @keys.sort_by(&:at), markers: @markers.sort_by(&:at), warnings:)
      end

      def check(bytes)
        refuse("The file is empty. Export it again and drop it here.") if bytes.empty?
        refuse("This MIDI file is larger than #{MAX_BYTES >> 20} MB.") if bytes.bytesize > MAX_BYTES
        refuse("This is not a MIDI file. Export the song as a standard MIDI file (.mid).") unless bytes.byteslice(0, 4) == "MThd"
      end

      # A file that breaks off keeps the tracks and notes up to there.
      def parse(bytes)
        read_from(StringIO.new(known_chunks(bytes)))
      rescue EOFError, NoMethodError, TypeError
        end_track if @open
        refuse("This MIDI file is cut off before its first note. Export it again.") if @tracks.sum { |track| track.notes.size }.zero?
        @counts[:broken] = 1
      end

      # The head and the tracks; other chunks may stand between them and are to be passed over (Standard MIDI Files 1.0, "Chunks").
      def known_chunks(bytes)
        kept = bytes.byteslice(0, HEAD)
        at = HEAD + [bytes.byteslice(4, 4).to_s.unpack1("N").to_i - 6, 0].max
        while at + 8 <= bytes.bytesize
          length = bytes.byteslice(at + 4, 4).unpack1("N")
          kept << bytes.byteslice(at, 8 + length) if bytes.byteslice(at, 4) == "MTrk"
          at += 8 + length
        end
        kept
      end

      def check_length(seconds)
        return if seconds <= MAX_SECONDS

        refuse(format("This MIDI file lasts %<minutes>d:%<rest>02d minutes; %<most>d:00 is the most. Cut out the song and drop that.", minutes: seconds / 60, rest: seconds % 60,
          most: MAX_SECONDS / 60))
      end

      def refuse(sentence) = raise(Errors::UnreadableScore, sentence)

      def place = @ticks_so_far / @division

      def close(channel, pitch, start, velocity, length, kind)
        @counts[kind] += 1 if kind
        @notes << Note.new(start:, length:, pitch:, velocity:, channel:)
      end

      # The last word at one place holds, and the first place is the start.
      def from_start(list, usual)
        kept = list.sort_by.with_index { |entry, i| [entry.at, i] }.reverse.uniq(&:at).reverse
        kept.first&.at&.zero? ? kept : [usual, *kept]
      end

      def tempos = from_start(@tempos, Score::Tempo.new(at: 0.0, bpm: Score::USUAL_BPM))

      def meters = from_start(@meters, Score::TimeSignature.new(at: 0.0, numerator: 4, denominator: 4))

      def warnings
        [
          @counts[:broken].positive? && "The file is cut off; what stands before that is used.",
          @counts[:hanging].positive? && "#{notes_of(:hanging)} never ended or lasted over #{LONGEST.to_i} quarters; a quarter was taken.",
          @counts[:empty].positive? && "#{notes_of(:empty)} had no length; a thirty-second was taken.",
          @counts[:overlapping].positive? && "#{notes_of(:overlapping)} began before the same pitch ended.",
          @counts[:tempo].positive? && "#{@counts[:tempo]} tempo outside 10 to 1000 BPM passed over."
        ].select { |sentence| sentence }
      end

      def notes_of(kind) = "#{@counts[kind]} #{@counts[kind] == 1 ? "note" : "notes"}"
    end
  end
end
