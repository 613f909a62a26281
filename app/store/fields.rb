# frozen_string_literal: true

module Store
  # What the fields that people fill may hold, wherever they come from: a form, or a study file that is opened.
  module Fields
    TONICS = %w[C Db D Eb E F F# G Ab A Bb B C# D# G# A# Gb].freeze
    MODES = Ethoscope::Harmony::Key::MODES
    # Links lead to pages and nowhere else.
    LINK = %r{\Ahttps?://\S+\z}
    SCHOOLS = Ethoscope::Checklist::Schools::ALL.map(&:id).freeze
    STAGES = Ethoscope::Checklist::Plan::STAGES.map { |stage| stage::NAME }.freeze

    Study = Ethoscope::Forms.schema do
      optional(:title).filled(:string, max_size?: 120)
      optional(:aim).filled(:string, included_in?: Ethoscope::Checklist::Brief::AIMS)
      optional(:scope_from).maybe(:integer, included_in?: 1..2000)
      optional(:scope_bar).maybe(:integer, included_in?: 1..2000)
      optional(:target_bpm).maybe(:float, included_in?: 20..400)
      optional(:target_tonic).maybe(:string, included_in?: TONICS)
      optional(:target_mode).maybe(:string, included_in?: MODES)
      optional(:target_way).filled(:string, included_in?: Ethoscope::Measures::Restatement::WAYS)
      optional(:target_meter).maybe(:string, included_in?: Ethoscope::Rhythm::Meter::ALL.map(&:name))
    end

    Reference = Ethoscope::Forms.schema do
      optional(:title).filled(:string, max_size?: 200)
      optional(:artist).maybe(:string, max_size?: 200)
      optional(:standing).filled(:string, included_in?: Ethoscope::Profile::Song::STANDINGS.keys)
      optional(:words).value(:array, max_size?: 40).each(:hash) do
        required(:kind).filled(:string, included_in?: Ethoscope::Profile::Song::WORD_KINDS)
        required(:text).filled(:string, max_size?: 60)
      end
      optional(:credits).value(:array, max_size?: 40).each(:hash) do
        required(:text).filled(:string, max_size?: 200)
        optional(:source).value(:string, max_size?: 200)
        optional(:date).value(:string, max_size?: 20)
      end
    end

    Item = Ethoscope::Forms.schema do
      optional(:title).filled(:string, max_size?: 200)
      optional(:target).filled(:string, max_size?: 500)
      optional(:tolerance).value(:string, max_size?: 100)
      optional(:minutes).filled(:integer, included_in?: 1..600)
      optional(:steps).value(:array, max_size?: 60).each(:string, max_size?: 500)
    end

    # What becomes of an item while somebody works on it.
    Work = Ethoscope::Forms.schema do
      optional(:state).filled(:string, included_in?: Ethoscope::Checklist::Item::STATES)
      optional(:result).maybe(:string, included_in?: Ethoscope::Checklist::Item::RESULTS)
      optional(:why).value(:string, max_size?: 300)
      optional(:note).value(:string, max_size?: 1000)
      optional(:who).value(:string, max_size?: 60)
      optional(:links).value(:array, max_size?: 8).each(:string, max_size?: 500, format?: LINK)
      optional(:extra).filled(:integer, included_in?: 0..600)
    end

    Entry = Ethoscope::Forms.schema do
      optional(:name).filled(:string, max_size?: 120)
      optional(:family).filled(:string, included_in?: [*Ethoscope::Techniques::Library::FAMILIES, "own"])
      %i[summary hear mix stems midi measure wrong].each { |field| optional(field).value(:string, max_size?: 500) }
      optional(:steps).value(:array, max_size?: 12).each(:string, max_size?: 300)
    end

    # How an attempt lies: which of its bars is which bar of the reference, and by how many semitones it is moved.
    Lies = Ethoscope::Forms.schema do
      optional(:starts).value(:array, size?: 2).each(:integer, included_in?: 1..4000)
      optional(:semitones).filled(:integer, included_in?: -11..11)
    end

    Attempt = Ethoscope::Forms.schema { optional(:note).value(:string, max_size?: 1000) }

    Overrule = Ethoscope::Forms.schema do
      required(:closeness).filled(:string, included_in?: Ethoscope::Measures::Closeness::ALL)
      required(:why).filled(:string, max_size?: 300)
    end
  end
end
