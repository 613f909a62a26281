# frozen_string_literal: true

module Store
  # Copies a reference into another study, with all that was said of it.
  class Copying
    # @param library [Library]
    def initialize(library)
      @library = library
    end

    # @param reference [Hash]
    # @param study_id [Integer] another study
    # @return [Hash] the copy
    # @raise [Duplicate] when that study holds this recording
    def copy(reference, study_id)
      @library.references.refuse_second(reference, study_id)

      rows = StudyRows.new(@library.db)
      data = rows.of_reference(reference[:id])
      same = %i[recordings analyses].to_h { |table| [table, data[table].to_h { |row| [row[:id], row[:id]] }] }
      numbers = rows.restore(data, { **same, studies: { reference[:study_id] => study_id } })
      copy = @library.references.find(numbers[:references].fetch(reference[:id]))
      @library.references.place(copy[:id], @library.references.of_study(study_id).size)
      @library.follow(copy)
      @library.references.find(copy[:id])
    end
  end
end
