# frozen_string_literal: true

module Store
  # What a study says of techniques: entries of its own, and its words in the place of the library's.
  class Entries < Rows
    # Texts that a person may write.
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
  end
end
