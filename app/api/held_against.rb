# frozen_string_literal: true

module Api
  # What an attempt is held against: one reference or the style of them all, and the checklist that goes with that.
  module HeldAgainst
    # @param study [Hash]
    # @param wanted [Hash] style, against_id and checklist_id, each of which may be missing
    # @return [Hash] against_id (nil for the style) and checklist
    def held(study, wanted)
      checklist = list_of(study, wanted)
      { against_id: against(study, wanted, checklist), checklist: }
    end

    # The reference that an attempt is held against where nobody says it: the one that the checklist was made from, or the only one. None: the style of them all.
    def against(study, wanted, checklist)
      return nil if wanted[:style]
      return own_reference(study[:id], wanted[:against_id])[:id] if wanted[:against_id]

      references = library.references.of_study(study[:id])
      checklist&.fetch(:reference_id) || (references.first[:id] if references.one?)
    end

    def own_reference(study_id, id)
      library.references.of_study(study_id).find { |row| row[:id] == id } || raise(Problem.new(422, "invalid", "This reference belongs to another study.", "against_id"))
    end

    def own_list(study_id, id)
      library.checklists.find(id).tap { |list| raise Problem.new(422, "invalid", "This checklist belongs to another study.", "checklist_id") if list[:study_id] != study_id }
    end

    # The checklist that was made from what it is held against, or else the first.
    def list_of(study, wanted)
      return own_list(study[:id], wanted[:checklist_id]) if wanted[:checklist_id]

      lists = library.checklists.of_study(study[:id])
      (made_from(lists, wanted) || lists.first)&.then { |list| library.checklists.find(list[:id]) }
    end

    def made_from(lists, wanted)
      lists.find { |list| list[:reference_id] == wanted[:against_id] } if wanted[:style] || wanted[:against_id]
    end

    # With what an attempt is held against goes the checklist that was made from it, where there is one.
    def followed(study_id, wanted)
      return wanted if !wanted.key?(:against_id) || wanted.key?(:checklist_id)

      list = made_from(library.checklists.of_study(study_id), { style: wanted[:against_id].nil?, **wanted })
      list ? { checklist_id: list[:id], **wanted } : wanted
    end
  end
end
