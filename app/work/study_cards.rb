# frozen_string_literal: true

module Work
  # What the list of all studies tells of each: how its first songs are built, and what is to be done next.
  class StudyCards
    # Songs whose form is drawn.
    SONGS = 4

    # @param library [Store::Library]
    def initialize(library)
      @library = library
    end

    # @param study [Hash]
    # @return [Hash] forms (title, and letter and bars of each section), and next (words, and the path of the page)
    def of(study) = { forms: forms(study), next: following(study) }

    private

    def forms(study)
      songs, = @library.songs.of(@library.references.of_study(study[:id]).first(SONGS))
      songs.values.map do |song|
        letters, lengths = %w[form.order form.lengths].map { |id| song.vector.value(id) || [] }
        { title: song.title, sections: letters.zip(lengths).reject { |pair| pair.any?(&:nil?) } }
      end
    end

    def following(study)
      path = "/studies/#{study[:id]}"
      return { words: "Drop a reference", path: } if study[:references].to_i.zero?

      list = @library.checklists.of_study(study[:id]).first or return { words: "Make a checklist", path: "#{path}/checklists" }
      item = @library.checklists.next_item(list[:id])
      item ? { words: "#{item[:number]} #{item[:title]}", path: "#{path}/checklists/#{list[:id]}?item=#{item[:id]}" } : { words: "Drop a bounce", path: "#{path}/attempts" }
    end
  end
end
