# frozen_string_literal: true

module Ethoscope
  module Midi
    # Sorts the tracks of a score into parts with one role each. Drum tracks fall apart into pieces by the drum map of General MIDI;
    # other roles follow from the track's name, then from its program's family, then from how it is written.
    module Parts
      # Families of General MIDI 1 programs.
      FAMILIES = { (0..23) => "chords", (24..31) => "guitar", (32..39) => "bass", (40..51) => "strings", (52..54) => "vocal", (55..55) => "fx", (56..63) => "brass",
                   (64..87) => "lead", (88..95) => "pad", (96..103) => "texture", (104..111) => "lead", (112..119) => "percussion", (120..127) => "fx" }.freeze
      # A part whose middle note lies below this pitch, one note at a time, is a bass.
      LOW = 48
      # Share of notes that sound alone from which a part is a line.
      ALONE = 0.8

      # @param score [Score]
      # @param roles [Hash{String => String}] what a person said of parts, by name
      # @return [Array<Part>]
      def self.of(score, roles = {})
        score.tracks.flat_map { |track| split(track) }.map { |part| roles.key?(part.name) ? part.to_h.merge(role: roles[part.name]).then { |h| Part.new(**h) } : part }
      end

      # One part a channel, and one a piece of the kit on the drum channel.
      def self.split(track)
        track.notes.group_by(&:channel).flat_map do |channel, notes|
          next [pitched(track, notes)] unless channel == Score::DRUM_CHANNEL

          pieces = notes.group_by { |note| Kit.role(note.pitch) }
          pieces.map { |role, played| Part.new(name: pieces.size > 1 ? "#{track.name} #{role}" : track.name, role:, program: nil, notes: played) }
        end
      end
      private_class_method :split

      def self.pitched(track, notes)
        Part.new(name: track.name, role: named(track.name) || family(track.program, notes) || written(notes), program: track.program, notes:)
      end
      private_class_method :pitched

      def self.named(name)
        role = Layers::Role.named(name)
        [Layers::Role::DRUMS, Layers::Role::RETURN].include?(role) ? nil : role
      end
      private_class_method :named

      # A family says little of a chordal instrument that plays a line.
      def self.family(program, notes)
        found = program && FAMILIES.find { |range, _| range.cover?(program) }&.last
        %w[chords lead].include?(found) ? written(notes) : found
      end
      private_class_method :family

      def self.written(notes)
        return "chords" if alone(notes) < ALONE

        middle = Signal::Middle.of(notes.map(&:pitch))
        middle < LOW ? "bass" : "lead"
      end
      private_class_method :written

      # Share of notes that no other one begins with.
      def self.alone(notes)
        notes.group_by { |note| note.start.round(2) }.values.count(&:one?) / notes.size.to_f
      end
      private_class_method :alone
    end
  end
end
