# frozen_string_literal: true

module Ethoscope
  module Sheet
    # What enters, leaves and changes its rate where runs of bars begin: measured, with painted layers, and with what a person
    # struck out or added.
    class ChangeList
      KINDS = %i[enters leaves thins swells].freeze

      # @param measured [Array<Hash>] the schema's changes
      # @param painted [Array<Layers::Layer>]
      # @param sections [Array<Hash>] the schema's sections
      # @param notes [Array<SheetNote>] aspect "change"; value key ("enters:bass", "hats") to strike, or text to add
      # @param timeline [Timeline]
      def initialize(measured, painted, sections, notes, timeline)
        @measured = measured
        @painted = painted
        @sections = sections
        @notes = notes
        @timeline = timeline
      end

      # @return [Array<Hash>] bar, enters, leaves, thins, swells, hats, struck (keys) and added (text and reading_id)
      def changes
        all = [*@measured, *from_painting].group_by { |change| change[:bar] }
        bars = [*all.keys, *@notes.map { |note| bar_of(note) }].uniq.sort
        bars.map { |bar| merged(bar, all.fetch(bar, [])) }
      end

      # @param change [Hash] one of {#changes}
      # @return [Hash] the same without what was struck out
      def self.settled(change)
        kept = KINDS.to_h { |kind| [kind, change[kind].reject { |role| change[:struck].include?("#{kind}:#{role}") }] }
        change.merge(kept, hats: change[:struck].include?("hats") ? nil : change[:hats])
      end

      private

      def from_painting
        return [] if @painted.empty?

        sections = @sections.map { |section| Form::Section.new(**section.slice(*Form::Section.members)) }
        Form::Changes.new(@painted, sections, [0.0] * @timeline.bars).list.map(&:to_h)
      end

      def merged(bar, parts)
        notes = @notes.select { |note| bar_of(note) == bar }
        struck, added = notes.partition { |note| note.value[:key] }
        KINDS.to_h { |kind| [kind, parts.flat_map { |part| part[kind] }.uniq] }
             .merge(bar:, hats: parts.filter_map { |part| part[:hats] }.first, struck: struck.map { |note| note.value[:key] },
               added: added.map { |note| { reading_id: note.id, text: note.value[:text] } })
      end

      def bar_of(note) = @timeline.bar_near(note.from)
    end
  end
end
