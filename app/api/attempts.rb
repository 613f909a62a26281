# frozen_string_literal: true

module Api
  # The user's own track, version by version: what is dropped, where it lies, what differs, how close each item came.
  class Attempts < Base
    helpers Uploads
    helpers HeldAgainst

    helpers do
      def laying = @laying ||= Work::Laying.new(library, kept)

      def attempt(id) = library.attempts.find(number(id))

      def page(attempt) = AttemptPage.new(library, laying, attempt)

      def row(attempt, status_code = 200) = answer({ attempt: page(attempt).row }, status_code)
    end

    get "/studies/:id/attempts" do |id|
      study = library.studies.find(number(id))
      answer(study:, attempts: library.attempts.standing(study[:id]).map { |attempt| page(attempt).row })
    end

    post "/studies/:id/attempts" do |id|
      check_size
      study = library.studies.find(number(id))
      made = library.import_attempt(study[:id], request.body, upload_name, **held(study, asked(AttemptSchemas::NewAttempt)))
      settings.bulletin.publish
      row(made, 201)
    end

    # An attempt of which there is no bounce: its stems and its notes are added like those of any song that comes without a mix.
    post "/studies/:id/attempts/parts" do |id|
      study = library.studies.find(number(id))
      held = held(study, input(AttemptSchemas::NewAttempt))
      answer({ assembly: library.assemblies.create(study[:id], "Attempt", attempt: { against_id: held[:against_id], checklist_id: held[:checklist]&.fetch(:id) }) }, 201)
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

    # What differs, a row each.
    get "/attempts/:id/differences.csv" do |id|
      made = attempt(id)
      raise Problem.new(409, "in_style", "This attempt is compared with no single song, so nothing is told bar by bar.") unless made[:against_id]

      download("#{page(made).reference[:title]}, attempt #{made[:number]} differences", "csv")
      content_type Ethoscope::Export::Formats::CSV
      Ethoscope::Export::DifferencesCsv.write(laying.comparison(made).to_h)
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
