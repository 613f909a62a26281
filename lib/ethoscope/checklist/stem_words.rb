# frozen_string_literal: true

module Ethoscope
  module Checklist
    # What a stem shows of a layer's sound, as one would set it. The way is our own.
    module StemWords
      # Off the middle by so much is to one side.
      ASIDE = 0.1
      KILO = 1000

      # @param sound [Hash] see {Measures::SongLayers#sounds}
      # @return [Array<String>]
      def self.steps(sound) = [place(sound), tone(sound), shape(sound), moves(sound), echo(sound), feel(sound)].compact

      def self.place(sound)
        level = sound[:level_db] ? "; #{Readings::Words.signed(sound[:level_db], 1)} dB where it plays" : ""
        "Place: #{sound[:image]}, #{side(sound[:pan])}, #{(sound[:width] * 100).round} % at the sides#{level}."
      end
      private_class_method :place

      def self.side(pan)
        return "in the middle" if pan.abs < ASIDE

        "#{(pan.abs * 100).round} % to the #{pan.negative? ? "left" : "right"}"
      end
      private_class_method :side

      def self.tone(sound) = "Tone: from #{hertz(sound[:bandwidth].first)} to #{hertz(sound[:bandwidth].last)}, brightest around #{hertz(sound[:brightness])}."
      private_class_method :tone

      def self.hertz(value) = value >= KILO ? "#{Measures::Kinds.plain((value / KILO.to_f).round(1))} kHz" : "#{value.round} Hz"
      private_class_method :hertz

      def self.shape(sound)
        shape = sound[:shape] or return nil
        decay = shape[:decay_ms] ? ", #{shape[:decay]} decay (#{shape[:decay_ms].round} ms)" : ""
        tail = sound[:tail_s] ? "; a tail of #{sound[:tail_s].round(1)} s" : ""
        "Shape: #{shape[:attack]} attack (#{shape[:attack_ms].round} ms)#{decay}#{tail}."
      end
      private_class_method :shape

      def self.moves(sound)
        pumping, gating = sound.values_at(:pumping, :gating)
        told = [pumping && "it breathes by #{pumping[:depth_db].round(1)} dB, #{pumping[:rate]}#{" with the #{pumping[:follows]}" if pumping[:follows]}",
                gating && "it is gated by #{gating[:depth_db].round(1)} dB"].compact
        told.empty? ? nil : "Moves: #{told.join("; ")}."
      end
      private_class_method :moves

      def self.echo(sound)
        echo = sound[:echo] or return nil
        "Echo: #{echo[:unit] || "#{echo[:ms].round} ms"}, #{echo[:under_db].round(1)} dB under it#{", from side to side" if echo[:alternates]}."
      end
      private_class_method :echo

      def self.feel(sound)
        late, spread, swing = sound[:timing].values_at(:late_ms, :spread_ms, :swing)
        return nil unless late && spread

        ahead = if late.round.zero?
                  "on the grid"
                else
                  "#{late.abs.round} ms #{late.positive? ? "late" : "early"}"
                end
        "Feel: #{ahead}, scattered by ±#{spread.round} ms#{", swing #{(swing * 100).round} %" if swing && swing > Measures::Families::Groove::STRAIGHT}."
      end
      private_class_method :feel
    end
  end
end
