# frozen_string_literal: true

require "nokogiri"

module Ethoscope
  module Export
    # A song as MusicXML (4.0, 2021): sections as rehearsal marks, chords with their bass, the lead where it is known, the bass line and the drums on staves of
    # their own, and repeats where bars come back with everything in them the same. Swing is said, not written out.
    class LeadSheetXml
      VERSION = "4.0"
      PARTS = { "P1" => "Lead", "P2" => "Bass", "P3" => "Drums" }.freeze
      CLEFS = { "P1" => ["G", 2], "P2" => ["F", 4, -1], "P3" => ["percussion"] }.freeze
      # Where pieces of the kit stand on their staff, and the heads that are crosses.
      STAFF = { 36 => %w[F 4], 37 => %w[C 5], 38 => %w[C 5], 39 => %w[C 5], 42 => %w[G 5], 46 => %w[G 5], 49 => %w[A 5], 51 => %w[F 5], 45 => %w[A 4], 70 => %w[E 5] }.freeze
      ELSEWHERE = %w[E 5].freeze
      CROSSED = [42, 46, 49, 51].freeze
      # Bars of what may be repeated.
      UNITS = [1, 2, 4, 8].freeze
      # A bar that is written: its number, and what stands at its left and right; times that its repeat is played.
      Bar = Value.of(:number, :section, :opens, :closes)

      # @param song [Handout]
      # @return [String] the file
      def self.write(song) = new(song).to_s

      # @param song [Handout]
      def initialize(song)
        @title = song.title
        @vector = song.vector
        @parts = SongParts.new(@vector, straight: true)
        @meter = @parts.meter
        @written = WrittenBars.new(@parts.bar_length, @vector.value("time.length"))
      end

      # @return [String]
      def to_s
        Nokogiri::XML::Builder.new(encoding: "UTF-8") do |xml|
          xml.public_send(:"score-partwise", version: VERSION) do
            head(xml)
            PARTS.each_key { |id| xml.part(id:) { bars.each_with_index { |bar, i| measure(xml, id, bar, i.zero?) } } }
          end
        end.to_xml
      end

      private

      def head(xml)
        xml.work { xml.public_send(:"work-title", @title) }
        xml.identification { xml.encoding { xml.software "Ethoscope" } }
        xml.public_send(:"part-list") { PARTS.each { |id, name| xml.public_send(:"score-part", id:) { xml.public_send(:"part-name", name) } } }
      end

      # What is written, bar after bar: of what comes back at once only the first time.
      def bars
        @bars ||= @parts.sections.flat_map do |section|
          unit = UNITS.find { |bars| bars < section.bars && (section.bars % bars).zero? && repeats?(section, bars) } || section.bars
          times = section.bars / unit
          (0...unit).map do |i|
            Bar.new(number: section.first_bar + i, section: i.zero? ? section : nil, opens: times > 1 && i.zero?, closes: times > 1 && i == unit - 1 ? times : nil)
          end
        end
      end

      def repeats?(section, unit)
        (section.first_bar..(section.last_bar - unit)).all? { |bar| everything(bar) == everything(bar + unit) }
      end

      def everything(bar) = [chords[bar], *PARTS.keys.map { |id| voices[id][bar - 1] }]

      # By bar [sixteenths from its start, symbol].
      def chords
        @chords ||= @parts.chords.group_by { |chord| (chord.start / @parts.bar_length).floor + 1 }.transform_values do |list|
          list.map { |chord| [((chord.start % @parts.bar_length) * WrittenBars::PER_QUARTER).round, chord.symbol] }
        end
      end

      def voices
        @voices ||= { "P1" => @written.voice(@parts.leads.values.first || []), "P2" => @written.voice(@parts.bass),
                      "P3" => @written.voice(@parts.drums.values.flatten, short: true) }
      end

      def measure(xml, id, bar, first)
        xml.measure(number: bar.number) do
          xml.barline(location: "left") { xml.repeat(direction: "forward") } if bar.opens
          attributes(xml, id) if first
          above(xml, bar, first) if id == "P1"
          signs = voices[id][bar.number - 1]
          signs.nil? || signs.empty? ? silence(xml) : signs.each { |sign| sign(xml, id, sign) }
          close(xml, bar.closes) if bar.closes
        end
      end

      def close(xml, times)
        xml.barline(location: "right") do
          xml.public_send(:"bar-style", "light-heavy")
          xml.repeat(direction: "backward", times:)
        end
      end

      def attributes(xml, id)
        xml.attributes do
          xml.divisions WrittenBars::PER_QUARTER
          signature(xml) unless id == "P3"
          xml.time do
            xml.beats @meter.numerator
            xml.public_send(:"beat-type", @meter.denominator)
          end
          clef(xml, *CLEFS.fetch(id))
        end
      end

      def signature(xml)
        key = @vector.key
        xml.key do
          xml.fifths(key ? key.signature.clamp(-7, 7) : 0)
          xml.mode(key.minor? ? "minor" : "major") if key
        end
      end

      def clef(xml, sign, line = nil, octave = nil)
        xml.clef do
          xml.sign sign
          xml.line line if line
          xml.public_send(:"clef-octave-change", octave) if octave
        end
      end

      def above(xml, bar, first)
        tempo(xml) if first
        if bar.section
          direction(xml) { xml.rehearsal bar.section.letter.to_s }
          direction(xml) { xml.words "#{bar.section.label}, bars #{bar.section.first_bar}–#{bar.section.last_bar}" }
        end
        direction(xml) { xml.words "#{bar.closes} times" } if bar.closes && bar.closes > 2
        (chords[bar.number] || []).each { |at, symbol| ChordXml.new(symbol).write(xml, at) }
      end

      def tempo(xml)
        bpm = @vector.bpm or return
        direction(xml, sound: (bpm * @meter.quarters_per_beat).round(2)) do
          xml.metronome do
            xml.public_send(:"beat-unit", @meter.denominator == 8 && !@meter.compound ? "eighth" : "quarter")
            xml.public_send(:"beat-unit-dot") if @meter.compound
            xml.public_send(:"per-minute", bpm.round(2))
          end
        end
        swing = @vector.value("groove.swing")
        direction(xml) { xml.words "Swing #{(swing[:ratio] * 100).round} %, #{swing[:unit]}s" } if swing && swing[:ratio] > 0.5
      end

      def direction(xml, sound: nil, &words)
        xml.direction(placement: "above") do
          xml.public_send(:"direction-type", &words)
          xml.sound(tempo: sound) if sound
        end
      end

      def silence(xml)
        xml.note do
          xml.rest(measure: "yes")
          xml.duration((@parts.bar_length * WrittenBars::PER_QUARTER).round)
          xml.voice 1
        end
      end

      def sign(xml, id, sign)
        return note(xml, sign) { xml.rest } if sign.rest?

        sign.pitches.each_with_index do |pitch, i|
          note(xml, sign, also: i.positive?, crossed: id == "P3" && CROSSED.include?(pitch)) { id == "P3" ? unpitched(xml, pitch) : pitched(xml, pitch) }
        end
      end

      def note(xml, sign, also: false, crossed: false)
        type, dotted = WrittenBars::SIGNS.fetch(sign.length)
        xml.note do
          xml.chord if also
          yield
          xml.duration sign.length
          ties(sign).each { |kind| xml.tie(type: kind) }
          xml.voice 1
          xml.type type
          xml.dot if dotted
          xml.notehead "x" if crossed
          xml.notations { ties(sign).each { |kind| xml.tied(type: kind) } } if ties(sign).any?
        end
      end

      def ties(sign) = [("stop" if sign.tied_from), ("start" if sign.tied_to)].compact

      def pitched(xml, pitch)
        name = Harmony::NoteName.of(pitch, @vector.key || Measures::Restatement::UNKEYED)
        alter = name.count("#") - name.count("b")
        xml.pitch do
          xml.step name[0]
          xml.alter alter unless alter.zero?
          xml.octave name[/-?\d+\z/]
        end
      end

      def unpitched(xml, pitch)
        step, octave = STAFF.fetch(pitch, ELSEWHERE)
        xml.unpitched do
          xml.public_send(:"display-step", step)
          xml.public_send(:"display-octave", octave)
        end
      end
    end
  end
end
