# frozen_string_literal: true

module Store
  # What a study says of techniques: entries of its own, and its words in the place of the library's.
  class Entries < Rows
    # Texts that a person may write.
    OWN = "own_"
    TEXTS = %i[name family summary hear mix stems midi measure wrong steps].freeze

    # @param study_id [Integer]
    # @return [Array<Hash>] kind and texts
    def of_study(study_id) = db[:entries].where(study_id:).order(:id).map { |row| row.slice(:id, :kind).merge(texts: parse(row[:texts])) }

    # The library with the study's own words and entries.
    #
    # @param study_id [Integer]
    # @return [Array<Hash>] each with own: true where the study has its say
    def library(study_id)
      own = of_study(study_id).to_h { |row| [row[:kind], row[:texts]] }
      known = Ethoscope::Techniques::Library.entries.map { |entry| entry.to_h.merge(own.delete(entry.kind)&.merge(own: true) || { own: false }) }
      known + own.map { |kind, texts| Ethoscope::Techniques::Library.own(kind, texts).to_h.merge(own: true) }
    end

    # @param study_id [Integer]
    # @return [Hash{String => Ethoscope::Techniques::Entry}] the same by kind
    def by_kind(study_id) = library(study_id).to_h { |entry| [entry[:kind], Ethoscope::Techniques::Entry.new(**entry.except(:own))] }

    # Adds an entry of the study's own. Names may have no Latin letters, and long ones may begin alike: the kind is numbered then.
    #
    # @param study_id [Integer]
    # @param texts [Hash] any of TEXTS, the name among them
    # @return [Hash] the row
    # @raise [Duplicate] when the study has an entry of that very name
    def create(study_id, texts)
      db.transaction(mode: :immediate) do
        own = of_study(study_id)
        raise Duplicate, "This study has a technique “#{texts[:name]}” already." if own.any? { |row| row[:kind].start_with?(OWN) && row[:texts][:name] == texts[:name] }

        write(study_id, free_kind(texts[:name], own.map { |row| row[:kind] }), texts)
      end
    end

    # @param study_id [Integer]
    # @param kind [String]
    # @param texts [Hash] any of TEXTS
    # @return [Hash] the row
    def write(study_id, kind, texts)
      db.transaction(mode: :immediate) do
        before = db[:entries][study_id:, kind:]
        kept = (before ? parse(before[:texts]) : {}).merge(texts.slice(*TEXTS))
        before ? db[:entries].where(id: before[:id]).update(texts: JSON.generate(kept)) : db[:entries].insert(study_id:, kind:, texts: JSON.generate(kept), created_at: now)
        of_study(study_id).find { |row| row[:kind] == kind }
      end
    end

    # Takes back what the study said of a technique.
    #
    # @param study_id [Integer]
    # @param kind [String]
    # @raise [Missing]
    def delete(study_id, kind)
      existing(db[:entries][study_id:, kind:], "entry of your own")
      db[:entries].where(study_id:, kind:).delete
    end

    private

    def free_kind(name, taken)
      plain = name.unicode_normalize(:nfkd).downcase.gsub(/[^a-z0-9]+/, "_").gsub(/\A_+|_+\z/, "")[0, 40]
      base = plain.empty? ? "#{OWN}technique" : "#{OWN}#{plain}"
      [base, *(2..).lazy.map { |number| "#{base}_#{number}" }.first(taken.size + 1)].find { |kind| !taken.include?(kind) }
    end
  end
end
