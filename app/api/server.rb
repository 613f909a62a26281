# frozen_string_literal: true

require "rack"

module Api
  # The whole application as one Rack app over one data directory.
  module Server
    ROUTES = [Studies, Profiles, References, Sources, Assemblies, Decisions, Markup, Entries, Sounds, Tools, Reckoning, House, Checklists, Attempts].freeze
    # Of the front end's files those that are sent packed; fonts and sounds are packed already.
    PACKED = %w[text/html text/css text/javascript application/javascript image/svg+xml].freeze
    # Answers that are kept ready.
    PAGES = 16

    # @param library [Store::Library]
    # @param bulletin [Jobs::Bulletin]
    # @return [#call] Rack application
    def self.app(library, bulletin)
      kept = Store::Kept.new(PAGES)
      first, *rest = ROUTES.map { |routes| with(routes, library, bulletin, kept) }
      pages = with(Pages, library, bulletin, kept)
      Rack::Builder.new do
        use Guard
        map("/api") do
          # Each passes on what it has no route for; an answer of its own, a 404 too, stands.
          rest.each { |routes| use routes }
          run first
        end
        run Rack::Deflater.new(pages, include: PACKED)
      end.to_app
    end

    # A copy of the routes that knows this library, so that two applications can live in one process.
    def self.with(routes, library, bulletin, kept)
      Class.new(routes) do
        set :library, library
        set :bulletin, bulletin
        set :kept, kept
      end
    end
    private_class_method :with
  end
end
