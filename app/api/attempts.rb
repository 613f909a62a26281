# frozen_string_literal: true

module Api
  # The user's own track, version by version: what is dropped, where it lies, what differs, how close each item came.
  class Attempts < Base
    helpers Uploads

    helpers do
      def laying = @laying ||= Work::Laying.new(library, kept)

      def attempt(id) = library.attempts.find(number(id))

      def page(attempt) = AttemptPage.new(library, laying, attempt)

      def row(attempt, status_code = 200) = answer({ attempt: page(attempt).row }, status_code)

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

    get "/studies/:id/attempts" do |id|
      study = library.studies.find(number(id))
      answer(study:, attempts: library.attempts.standing(study[:id]).map { |attempt| page(attempt).row })
    end

    post "/studies/:id/attempts" do |id|
      check_size
      study = library.studies.find(number(id))
      wanted = asked(AttemptSchemas::NewAttempt)
      checklist = list_of(study, wanted)
      made = library.import_attempt(study[:id], request.body, upload_name, against_id: against(study, wanted, checklist), checklist:)
      settings.bulletin.publish
      row(made, 201)
    end

    get("/attempts/:id") { |id| answer(page(attempt(id)).to_h) }

    patch "/attempts/:id" do |id|
      wanted = input(AttemptSchemas::AttemptChange)
      study_id = attempt(id)[:study_id]
      own_reference(study_id, wanted[:against_id]) if wanted[:against_id]
      own_list(study_id, wanted[:checklist_id]) if wanted[:checklist_id]
      row(library.attempts.update(number(id), followed(study_id, wanted)))
    end

    delete "/attempts/:id" do |id|
      library.attempts.take_away(number(id))
      answer({})
    end

    post("/attempts/:id/return") { |id| row(library.attempts.bring_back(number(id))) }

    # Puts the checklist into the state that it had when the attempt was made.
    post("/attempts/:id/list") { |id| answer(checklist: library.attempts.restore(number(id))) }

    # What one attempt has otherwise than another.
    get("/attempts/:id/versions/:other") { |id, other| answer(AttemptPage.new(library, laying, attempt(id), beside: attempt(other)).to_h) }

    put "/attempts/:id/verdicts/:item" do |id, item|
      wanted = input(AttemptSchemas::Overrule)
      library.attempts.overrule(number(id), number(item), closeness: wanted[:closeness], why: wanted[:why])
      answer(page(attempt(id)).to_h)
    end

    delete "/attempts/:id/verdicts/:item" do |id, item|
      library.attempts.judge_again(number(id), number(item))
      answer({})
    end

    get "/attempts/:id/comparison.md" do |id|
      made = attempt(id)
      text, name = made[:against_id] ? laid_out(made) : in_style(made)
      download("#{name}, attempt #{made[:number]}", "md")
      content_type "text/markdown;charset=utf-8"
      text
    end

    helpers do
      def laid_out(made)
        page = page(made)
        [Ethoscope::Export::ComparisonMarkdown.write(laying.comparison(made).to_h, reference: page.reference[:title], attempt: page.title), page.reference[:title]]
      end

      def in_style(made) = [Ethoscope::Export::StyleMarkdown.write(laying.style(made).to_h, attempt: page(made).title), library.studies.find(made[:study_id])[:title]]
    end
  end
end
