# frozen_string_literal: true

module Api
  # The built front end: its files, and its one page for every other address.
  class Pages < Base
    PUBLIC = File.expand_path("../../public", __dir__)

    configure do
      set :static, true
      set :public_folder, PUBLIC
      set :static_cache_control, [:public, { max_age: 31_536_000 }]
    end

    get "/*" do
      page = File.join(PUBLIC, "index.html")
      halt 503, "The front end is not built. Run bin/setup." unless File.exist?(page)

      cache_control :no_store
      send_file page
    end
  end
end
