# frozen_string_literal: true

module Ethoscope
  module Readings
    # What each reading of a person may hold, by aspect. Nothing else is stored, so that whatever is stored can be shown.
    module Values
      # Seconds into a recording; a first beat may lie before its start.
      SECONDS = (0..2000)
      EARLY_SECONDS = (-60..2000)
      # Sections, chords of a bar and stretches of a layer are counted in hundreds at the most.
      MANY = 2000
      NOTE = /\A[A-G][b#♭♯]{0,2}-?\d\z/
      STATES = %w[open confirmed corrected refuted].freeze
      SOURCES = %w[measured heard credited published told assumed].freeze
      PURPOSES = ["lead", "support", "ear candy", "glue"].freeze
      GIVES = %w[body attack air width].freeze
      OWNED = %w[have need substitute].freeze
      MARK_TYPES = %w[technique transition oddity question idea].freeze
      TEXTS = %i[sound register articulation pattern variations pan width sends automation made_from lost shared].freeze

      TEXT = Forms.schema { required(:text).filled(:string, max_size?: 300) }

      TEMPO = Forms.schema do
        required(:bpm).filled(:float, included_in?: Corrections::TEMPI)
        optional(:follows).filled(:bool)
        optional(:changes).value(:array, max_size?: MANY).each(:hash) do
          required(:at).filled(:float, included_in?: SECONDS)
          required(:bpm).filled(:float, included_in?: Corrections::TEMPI)
          optional(:to).filled(:float, included_in?: Corrections::TEMPI)
          optional(:bars).filled(:integer, included_in?: 1..4000)
        end
      end

      METER = Forms.schema do
        required(:name).filled(:string, included_in?: Rhythm::Meter::ALL.map(&:name))
        optional(:first_downbeat).maybe(:float, included_in?: EARLY_SECONDS)
        optional(:lines).value(:array, max_size?: MANY).each(:float, included_in?: SECONDS)
      end

      KEY = Forms.schema do
        required(:tonic).filled(:string, format?: Harmony::PitchClass::NAME)
        required(:mode).filled(:string, included_in?: Harmony::Key::MODES)
        optional(:modulations).value(:array, max_size?: MANY).each(:hash) do
          required(:at).filled(:float, included_in?: SECONDS)
          required(:tonic).filled(:string, format?: Harmony::PitchClass::NAME)
          required(:mode).filled(:string, included_in?: Harmony::Key::MODES)
        end
      end

      FORM = Forms.schema do
        required(:entries).value(:array, min_size?: 1, max_size?: MANY).each(:hash) do
          required(:label).filled(:string, max_size?: 40)
          required(:letter).filled(:string, max_size?: 8)
          required(:start).filled(:float, included_in?: SECONDS)
          optional(:source).filled(:string, included_in?: SOURCES)
          optional(:state).filled(:string, included_in?: STATES)
          optional(:confidence).maybe(:float, included_in?: 0..1)
          optional(:reason).value(:string, max_size?: 300)
        end
      end

      CHORD = Forms.schema do
        required(:symbol).filled(:string, max_size?: 40)
        optional(:voicing).value(:array, max_size?: 16).each(:string, format?: NOTE)
        optional(:confidence).maybe(:float, included_in?: 0..1)
      end

      CARD = Forms.schema do
        TEXTS.each { |field| optional(field).value(:string, max_size?: 300) }
        optional(:have).maybe(:string, included_in?: OWNED)
        optional(:stacked).maybe(:integer, included_in?: 1..64)
        optional(:purpose).maybe(:string, included_in?: PURPOSES)
        optional(:candidates).value(:array, max_size?: 64).each(:hash) do
          required(:text).filled(:string, max_size?: 200)
          optional(:source).maybe(:string, included_in?: SOURCES)
          optional(:sure).maybe(:float, included_in?: 0..1)
          optional(:cost).value(:string, max_size?: 60)
          optional(:live).maybe(:bool)
        end
        optional(:stack).value(:array, max_size?: 64).each(:hash) do
          required(:text).filled(:string, max_size?: 200)
          required(:gives).filled(:string, included_in?: GIVES)
        end
        optional(:chain).value(:array, max_size?: 64).each(:hash) do
          required(:type).filled(:string, max_size?: 60)
          optional(:setting).value(:string, max_size?: 120)
          optional(:amount).value(:string, max_size?: 60)
          optional(:why).value(:string, max_size?: 200)
        end
      end

      LAYER = Forms.schema do
        required(:name).filled(:string, max_size?: 60)
        optional(:role).maybe(:string, included_in?: Layers::Role::ALL)
        optional(:spans).value(:array, max_size?: MANY)
        optional(:cells).value(:array, max_size?: MANY).each(:integer, included_in?: 0..3)
        optional(:card).hash(CARD)
        optional(:of).maybe(:string, max_size?: 120)
      end

      TECHNIQUE = Forms.schema do
        required(:name).filled(:string, max_size?: 120)
        optional(:kind).maybe(:string, max_size?: 60)
      end

      MARK = Forms.schema do
        required(:type).filled(:string, included_in?: MARK_TYPES)
        required(:text).filled(:string, max_size?: 500)
        optional(:layer_id).maybe(:integer)
      end

      CHANGE = Forms.schema do
        optional(:key).filled(:string, max_size?: 80)
        optional(:text).filled(:string, max_size?: 200)
      end

      # Notes are [seconds, seconds, MIDI pitch or nothing, velocity], those taken away [seconds, MIDI pitch or nothing].
      LINE = Forms.schema do
        required(:layer).filled(:string, max_size?: 120)
        required(:added).value(:array, max_size?: MANY)
        required(:taken).value(:array, max_size?: MANY)
      end

      SIGHTING = Forms.schema { required(:kind).filled(:string, max_size?: 60) }

      OF = { "tempo" => TEMPO, "meter" => METER, "key" => KEY, "chord" => CHORD, "layer" => LAYER, "technique" => TECHNIQUE, "mark" => MARK, "change" => CHANGE,
             "sighting" => SIGHTING, "line" => LINE }.freeze

      # @param aspect [String]
      # @param value [Hash] symbol keys
      # @return [Hash] the same, numbers as numbers, without what the aspect does not know
      # @raise [Errors::Unfit] saying what does not fit, and what would
      def self.checked(aspect, value)
        result = schema(aspect, value).call(value)
        raise Errors::Unfit, Forms::Complaint.new(result.errors).sentence if result.failure?

        result.to_h.tap { |checked| check(aspect, checked) }
      end

      def self.schema(aspect, value) = OF.fetch(aspect) { aspect == "form" && value.key?(:entries) ? FORM : TEXT }
      private_class_method :schema

      # What a shape does not tell.
      def self.check(aspect, value)
        Harmony::ChordSymbol.parse(value[:symbol]) if aspect == "chord"
        check_spans(value.fetch(:spans, [])) if aspect == "layer"
        check_line(value) if aspect == "line"
        raise Errors::Unfit, "Say what changes." if aspect == "change" && value.values.all? { |text| text.strip.empty? }
      end
      private_class_method :check

      def self.check_line(value)
        fit = value[:added].all? { |note| note.is_a?(Array) && note.size == 4 && note?(note[0], note[2]) && second?(note[1]) && note[1] > note[0] && fraction?(note[3]) } &&
              value[:taken].all? { |note| note.is_a?(Array) && note.size == 2 && note?(*note) }
        raise Errors::Unfit, "A note has a start and an end after it in seconds, a MIDI pitch from 0 to 127 or none, and a velocity from 0 to 1." unless fit
      end
      private_class_method :check_line

      def self.note?(at, pitch) = second?(at) && (pitch.nil? || (pitch.is_a?(Integer) && (0..127).cover?(pitch)))
      private_class_method :note?

      def self.second?(value) = value.is_a?(Numeric) && SECONDS.cover?(value)
      private_class_method :second?

      def self.fraction?(value) = value.is_a?(Numeric) && (0..1).cover?(value)
      private_class_method :fraction?

      def self.check_spans(spans)
        fit = spans.all? do |span|
          span.is_a?(Array) && span.size == 3 && span.first(2).all? { |second| second?(second) } && span[0] < span[1] && (0..3).cover?(span[2])
        end
        raise Errors::Unfit, "A painted stretch has a start, an end after it in seconds, and a level from 0 to 3." unless fit
      end
      private_class_method :check_spans
    end
  end
end
