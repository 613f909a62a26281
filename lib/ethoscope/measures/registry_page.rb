# frozen_string_literal: true

module Ethoscope
  module Measures
    # The registry as a page for people: docs/measures.md. The way is our own.
    module RegistryPage
      HEAD = <<~TEXT
        # What is measured

        Everything that can be read off a song, compared, worded and restated in another tempo and key (`lib/ethoscope/measures`). Checklist, profile and
        exports read songs through these only. `rake measures` prints this page; `bin/test` fails when it is not up to date (`rake docs:measures` writes it).

        Exact and style are the tolerances for an exact remake and for something in the style of, in the unit of the distance; an item is exact within a
        quarter of its tolerance, close within it, ballpark within twice. "Moves" says whether the value follows the new track's tempo or key.
      TEXT
      COLUMNS = ["measure", "name", "read of", "kind", "unit", "exact", "style", "moves", "stage of the plan", "rests on"].freeze
      SCOPES = { song: "the song", section: "each section", role: "each layer", role_in_section: "each layer in each section" }.freeze

      # @return [String] Markdown
      def self.page
        tables = Registry.all.group_by(&:family).map { |family, measures| "## #{family.capitalize}\n\n#{table(measures)}" }
        [HEAD, *tables].join("\n").concat("\n")
      end

      def self.table(measures) = [COLUMNS, COLUMNS.map { "---" }, *measures.map { |measure| row(measure) }].map { |cells| "| #{cells.join(" | ")} |\n" }.join
      private_class_method :table

      def self.row(measure)
        ["`#{measure.id}`", measure.name, SCOPES.fetch(measure.scope), measure.kind.name, measure.unit, Kinds.plain(measure.exact), Kinds.plain(measure.style),
         measure.restated ? "yes" : "", measure.stage, measure.rests_on.join(", ")]
      end
      private_class_method :row
    end
  end
end
