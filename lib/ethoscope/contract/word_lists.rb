# frozen_string_literal: true

module Ethoscope
  module Contract
    # The lists of words that the core and the front end share: each from the one place in the core that decides on it.
    module WordLists
      # Names that a person can choose a tonic from; the engine spells what it finds by itself.
      TONICS = %w[C Db D Eb E F F# G Ab A Bb B].freeze

      # @return [Hash{Symbol => Array<String>}] by the name of the type
      def self.all
        @all ||= {
          Aim: Checklist::Brief::AIMS, RunState: RUN_STATES, ReadingState: Readings::Values::STATES, Source: Readings::Values::SOURCES,
          ToldSource: Readings::Values::SOURCES - ["measured"], Aspect: Readings::Reader::ASPECTS,
          NotedAspect: Readings::Values::OF.keys - Readings::Reader::ASPECTS, Mark: MARKS, LayerSource: LAYER_SOURCES, Role: Layers::Role::ALL,
          StemExtra: Layers::Role::CHOICES - Layers::Role::ALL, Mode: Harmony::Key::MODES, Tonic: TONICS, Meter: Rhythm::Meter::ALL.map(&:name),
          Family: ["own", *Techniques::Library::FAMILIES], Have: Readings::Values::OWNED, Purpose: Readings::Values::PURPOSES, Gives: Readings::Values::GIVES,
          MarkType: Readings::Values::MARK_TYPES, ItemState: Checklist::Item::STATES, ItemResult: Checklist::Item::RESULTS, Closeness: Measures::Closeness::ALL,
          WorkKind: WORK_KINDS, Presence: Sheet::SectionTable::STATES, SectionLabel: Form::Section::LABELS, SchoolId: Checklist::Schools::ALL.map(&:id),
          Standing: Profile::Song::STANDINGS.keys, WordKind: Profile::Song::WORD_KINDS, DifferenceKind: Attempts::Difference::KINDS,
          StandingInStyle: Attempts::InStyle::STANDINGS
        }.freeze
      end

      RUN_STATES = %w[queued running done failed].freeze
      WORK_KINDS = %w[analysis derivation stem separation assembly].freeze
      MARKS = %w[none measured heard confirmed corrected refuted].freeze
      # What leads where several tell of the same thing: notes, then stems, then the mix.
      LAYER_SOURCES = %w[mix stem midi].freeze

      # @return [Hash{String => Integer}] beats that a person taps in one bar, by meter
      def self.beats = Rhythm::Meter::ALL.to_h { |meter| [meter.name, meter.beats] }

      # @return [Array<Hash>] formats in which a song can be taken away: file and words
      def self.formats = Export::Formats.of(:song).map { |format| { file: format.file, words: format.words } }
    end
  end
end
