# frozen_string_literal: true

require_relative "../test_helper"

# How declared shapes become types and pages.
class ContractPagesTest < Ethoscope::TestCase
  include Ethoscope::Contract::Notation

  Contract = Ethoscope::Contract

  def typescript(*shapes, words: {}, tables: {}) = Contract::Typescript.source(shapes, words, tables)

  def test_lists_of_words_become_constants_and_types
    source = typescript(words: { ReadingState: %w[open refuted], Family: ["own"], Closeness: ["exact"] })

    assert_includes source, "export const READING_STATES = [\"open\",\"refuted\"] as const;\nexport type ReadingState = (typeof READING_STATES)[number];"
    assert_equal(%w[FAMILIES CLOSENESS GIVES SOURCES], %i[Family Closeness Gives Source].map { |name| Contract::Typescript.constant(name) })
  end

  def test_fields_have_types_and_comments
    source = typescript(named(:Bar, "One bar.", bar: NUMBER, note?: [STRING, "what it says"], spans: list(tuple(NUMBER, NUMBER)), of: map(BOOLEAN)))

    assert_includes source, <<~TEXT
      /** One bar. */
      export interface Bar {
        bar: number;
        /** what it says */
        note?: string;
        spans: [number, number][];
        of: Record<string, boolean>;
      }
    TEXT
  end

  def test_what_may_be_several_things_is_put_in_parentheses_in_a_list
    source = typescript(named(:Row, "", values: list(maybe(NUMBER)), kinds: list(one_of("fill", "gap")), either: either(STRING, list(STRING))))

    assert_includes source, "values: (number | null)[];"
    assert_includes source, "kinds: (\"fill\" | \"gap\")[];"
    assert_includes source, "either: string | string[];"
  end

  def test_a_shape_that_is_more_than_another_extends_it
    source = typescript(named(:Loop, "", bars: NUMBER), more(:PartLoop, :Loop, "", letters: list(STRING), inside: maybe(object(at: NUMBER))))

    assert_includes source, "export interface PartLoop extends Loop {\n  letters: string[];\n  inside: {\n    at: number;\n  } | null;\n}"
  end

  def test_tables_are_constants_and_may_say_their_type
    source = typescript(tables: { "BEATS: Record<string, number>" => { "4/4" => 4 }, "FORMATS" => [{ file: "a" }] })

    assert_includes source, "export const BEATS: Record<string, number> = {\"4/4\":4};"
    assert_includes source, "export const FORMATS = [{\"file\":\"a\"}] as const;"
  end

  def test_the_page_has_a_table_a_shape
    shapes = [named(:Loop, "A run that comes back.", bars: [NUMBER, "how long"], name?: STRING), more(:PartLoop, :Loop, "", letters: list(shape(:Loop)))]
    page = Contract::SchemaPage.page("# Head\n", shapes, { Mode: %w[major minor] })

    assert_includes page, "## Loop\n\nA run that comes back.\n\n| field | holds | |\n|---|---|---|\n| `bars` | number | how long |\n| `name` (may be missing) | string |  |\n"
    assert_includes page, "All of Loop, and:"
    assert_includes page, "| `letters` | list of Loop |"
    assert_includes page, "| Mode | major, minor |"
  end

  def test_a_field_of_its_own_stands_in_the_place_of_the_one_it_extends
    checker = Contract::Checker.new([named(:Chord, "", at: NUMBER), more(:Own, :Chord, "", at: STRING, by: STRING)], {})

    assert_empty checker.problems(shape(:Own), { at: "one", by: "me" })
    assert_equal ["answer.at is no string but 1", "answer.by is missing"].sort, checker.problems(shape(:Own), { at: 1 }).sort
  end

  def test_every_address_that_answers_with_data_is_in_the_contract
    routes = Api::Server::ROUTES.flat_map { |app| app.routes.flat_map { |verb, list| list.map { |pattern, *| "#{verb} #{pattern}" } } }
    data = routes.reject { |route| route.start_with?("HEAD") || route.match?(%r{\.(json|mid|csv|md|zip|musicxml|txt)\z|/(audio|peaks)\z|/parts/:part\z}) }
    unknown = data.reject { |route| Api::Contract::ANSWERS.any? { |pattern, _| pattern.match?(route.gsub(/:(id|item|other)/, "1").gsub(":kind", "riser").gsub(":place", "0")) } }

    assert_operator data.size, :>, 50
    assert_empty unknown
  end
end
