# frozen_string_literal: true

module Api
  # What is true of the whole house: which data directory this is, its settings, and a search over everything in it.
  class House < Base
    get("/house") { answer(house: { name: File.basename(library.home), settings: library.settings.all }) }

    patch "/settings" do
      answer(settings: library.settings.change(input(Schemas::Settings)))
    end

    get "/search" do
      answer(found: Store::Search.new(library).of(asked(Schemas::SearchQuestion)[:words]))
    end
  end
end
