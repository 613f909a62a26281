# frozen_string_literal: true

module Api
  # What the songs of a study share, beside other music; two profiles side by side; and rows of one as things to do.
  class Profiles < Base
    helpers do
      def styles(study) = Work::Styles.new(library, study)
    end

    get "/studies/:id/profile" do |id|
      study = library.studies.find(number(id))
      against = asked(PlanSchemas::ProfileQuestion)[:against] || "generated"
      style = styles(study)
      stamp = [library.stamp(study), against, style.stamp(against)]
      content_type :json
      kept.keep([:profile, stamp]) { library.profiles.keep(study[:id], stamp) { JSON.generate(style.page(against)) } }
    end

    get "/studies/:id/comparison" do |id|
      answer(comparison: styles(library.studies.find(number(id))).comparison(asked(PlanSchemas::ComparisonQuestion)[:with]))
    end

    # Rows of the profile as items, on a checklist that there is or on a new one.
    post "/studies/:id/targets" do |id|
      study = library.studies.find(number(id))
      wanted = input(PlanSchemas::ClaimedTargets)
      items = Ethoscope::Checklist::FromClaims.items(styles(study).claims(wanted[:against] || "generated", wanted[:claims]))
      list = wanted[:checklist_id] ? library.items.add_all(wanted[:checklist_id], items) : new_list(study, items)
      answer({ checklist: list }, 201)
    end

    helpers do
      def new_list(study, items)
        library.checklists.create(study_id: study[:id], title: "From the profile", school: Ethoscope::Checklist::Schools.find("chords"), items:)
      end
    end
  end
end
