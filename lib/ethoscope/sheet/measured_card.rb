# frozen_string_literal: true

module Ethoscope
  module Sheet
    # What a layer's stem and notes tell, in the words of its card: a start for the person who fills it.
    class MeasuredCard
      # Nearer to the middle than this a part is in the middle.
      CENTRED = 0.08
      MOST = 300

      # @param data [Hash] an analysis in the schema
      # @param name [String] of a layer
      def initialize(data, name)
        @data = data
        @stem = data.fetch(:stems, []).find { |stem| stem[:name] == name }
        @part = (data[:score] || { parts: [] })[:parts].find { |part| part[:name] == name }
      end

      # @return [Hash{Symbol => String}] register, articulation, pattern, variations, pan, width, sends and automation, those that are known
      def to_h
        { register:, articulation:, pattern:, variations:, pan:, width: @stem && @stem[:image], sends:, automation: }
          .reject { |_, text| text.nil? || text.empty? }.transform_values { |text| text[0, MOST] }
      end

      private

      def pitches = @part || (@stem && @stem[:pitch])

      def register = pitches && !struck? ? "#{pitch(pitches[:low])} to #{pitch(pitches[:high])}" : nil

      def struck? = Layers::Role::STRUCK.include?((@part || @stem)[:role])

      def articulation
        shape = @stem && @stem[:shape]
        shape && "attack #{shape[:attack]}, decay #{shape[:decay]}"
      end

      # Beats and notes of a written part, as far as there is room; else after how many bars a stem comes back.
      def pattern
        return @stem && @stem[:period] && "comes back after #{bars(@stem[:period])}" unless @part

        notes = @part[:pattern].group_by(&:first).map { |step, list| "#{place(step)}#{" #{list.map { |_, pitch| pitch(pitch) }.join(" ")}" unless struck?}" }
        notes.join(", ")
      end

      # Bar and beat of a sixteenth from the pattern's start, counted from one: 1.2½.
      def place(step)
        bar, rest = step.divmod(beats * 4)
        "#{bar + 1}.#{(rest / 4) + 1}#{["", "¼", "½", "¾"][rest % 4]}"
      end

      def beats = Rhythm::Meter.named(@data[:meter]).beats

      def variations
        letters = (@part || @stem || {})[:variations]
        return nil if letters.nil? || letters.compact.uniq.size < 2

        @data[:sections].zip(letters).filter_map { |section, letter| letter && "#{section[:label]} #{section[:first_bar]}: #{letter}" }.join(", ")
      end

      def pan
        return nil unless @stem
        return "in the middle" if @stem[:pan].abs < CENTRED

        "#{(@stem[:pan].abs * 100).round} % #{@stem[:pan].negative? ? "left" : "right"}"
      end

      def sends
        echo = @stem && @stem[:echo]
        [echo && "repeats after #{echo[:unit]}, #{echo[:under_db].round} dB under#{", from side to side" if echo[:alternates]}",
         @stem && @stem[:tail_s] && "dies away in about #{@stem[:tail_s]} s"].compact.join("; ")
      end

      def automation
        pumping, motion = (@stem || {}).values_at(:pumping, :motion)
        [pumping && "pumps #{pumping[:depth_db].round} dB every #{pumping[:rate]}#{" with #{pumping[:follows]}" if pumping[:follows]}",
         motion && "wanders from side to side in #{bars(motion[:bars].round)}"].compact.join("; ")
      end

      def bars(count) = count == 1 ? "1 bar" : "#{count} bars"

      def pitch(number) = "#{Harmony::PitchClass.spell(number % 12, @data[:key] ? @data[:key][:tonic] : "C")}#{(number / 12) - 1}"
    end
  end
end
