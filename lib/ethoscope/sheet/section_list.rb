# frozen_string_literal: true

module Ethoscope
  module Sheet
    # The sections of a song, measured or as a person put them, with edits that give a new list.
    #
    # A list is kept as entries, in order: label, letter, start (seconds), source, state, and how sure and why while it is measured.
    class SectionList
      # What a section says of itself once a person has touched it.
      HEARD = { source: "heard", state: "open", confidence: 1.0, reason: "as you hear it" }.freeze

      # @param data [Hash] the analysis schema
      # @param entries [Array<Hash>, nil] a person's list; nil for the measured one
      def initialize(data, entries = nil)
        @data = data
        @timeline = Timeline.new(data)
        @entries = placed(entries || measured)
      end

      # @return [Array<Hash>] label, letter, start, source, state
      def entries = @entries.map { |entry| entry.except(:first_bar) }

      # @return [Array<Hash>] sections in the schema, with source, state, and usual_bars where the length is unusual
      def sections
        firsts = @entries.map { |entry| entry[:first_bar] }
        @entries.each_with_index.map do |entry, i|
          bars = (firsts[i + 1] || (@timeline.bars + 1)) - firsts[i]
          entry.slice(:label, :letter, :source, :state, :confidence, :reason)
               .merge(first_bar: firsts[i], bars:, start: edge(i), end: edge(i + 1), usual_bars: Form::SectionLength.unusual?(bars) ? Form::SectionLength.usual(bars) : nil)
        end
      end

      # @param index [Integer] a section
      # @param bar [Integer] the first bar of its second half
      # @param label [String, nil] what the second half is called; the same when nil
      # @return [Array<Hash>] entries
      # @raise [Errors::Unfit] when the bar does not lie inside it
      def split(index, bar, label = nil)
        section = at(index)
        raise Errors::Unfit, "a section is split after its first bar and before its end" unless bar > section[:first_bar] && bar < after(index)

        second = @entries[index].merge(label: label || section[:label], start: @timeline.seconds(bar), **HEARD)
        replaced(index, [@entries[index], second])
      end

      # @param index [Integer] a section, not the first
      # @param bar [Integer] where it starts instead
      # @return [Array<Hash>] entries
      # @raise [Errors::Unfit] when a section would be empty
      def move(index, bar)
        raise Errors::Unfit, "the first section starts with the song" if index.zero?

        before = at(index - 1)[:first_bar]
        raise Errors::Unfit, "bar #{bar} would leave a section without bars" unless bar > before && bar < after(index)

        replaced(index, [at(index).merge(start: @timeline.seconds(bar), **HEARD)])
      end

      # @param index [Integer] a section that takes in the next one
      # @return [Array<Hash>] entries
      # @raise [Errors::Unfit] when it is the last
      def merge(index)
        raise Errors::Unfit, "no section follows the last one" unless @entries[index + 1]

        list = replaced(index, [at(index).merge(source: "heard", state: "open")])
        list.delete_at(index + 1)
        list
      end

      # @param index [Integer]
      # @param change [Hash] label or letter
      # @return [Array<Hash>] entries
      # @raise [Errors::Unfit] for an empty name
      def rename(index, change)
        named = change.slice(:label, :letter).transform_values { |text| text.to_s.strip }
        raise Errors::Unfit, "a section needs a name" if named.empty? || named.values.any?(&:empty?)

        replaced(index, [at(index).merge(named, **HEARD)])
      end

      # Moves the end so that the length is usual.
      #
      # @param index [Integer]
      # @return [Array<Hash>] entries
      # @raise [Errors::Unfit] when there is nothing to move
      def snap(index)
        length = after(index) - at(index)[:first_bar]
        raise Errors::Unfit, "the last section ends with the song" unless @entries[index + 1]

        move(index + 1, at(index)[:first_bar] + Form::SectionLength.usual(length))
      end

      # @param index [Integer]
      # @param state [String] confirmed or open
      # @return [Array<Hash>] entries
      def mark(index, state) = replaced(index, [at(index).merge(state:)])

      private

      def at(index) = @entries[index] || raise(Errors::Unfit, "there is no such section")

      def after(index) = @entries[index + 1]&.fetch(:first_bar) || (@timeline.bars + 1)

      def replaced(index, list) = (@entries[0...index] + list + @entries[(index + 1)..]).map { |entry| entry.except(:first_bar) }

      def measured
        @data[:sections].map { |section| section.slice(:label, :letter, :start, :confidence, :reason).merge(source: "measured", state: "open") }
      end

      # Each entry on the nearest bar of this count; of two on one bar the later one holds. The first starts with the song.
      def placed(entries)
        on_bars = entries.each_with_index.map { |entry, i| entry.merge(first_bar: i.zero? ? 1 : @timeline.bar_near(entry[:start])) }
        on_bars.group_by { |entry| entry[:first_bar] }.sort.map { |_, group| group.last }
      end

      def edge(index)
        return 0.0 if index.zero?

        entry = @entries[index]
        entry ? @timeline.seconds(entry[:first_bar]) : [@data[:duration], @data[:end]].max
      end
    end
  end
end
