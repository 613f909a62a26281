# frozen_string_literal: true

require_relative "../test_helper"

# One contract: what Ruby declares is what documentation and front end say, and what the engine gives.
class ContractTest < Ethoscope::TestCase
  Contract = Ethoscope::Contract
  ROOT = File.expand_path("../..", __dir__)

  def read(path) = File.read(File.join(ROOT, path))

  def problems(name, data) = Contract::Checker.new(Api::Contract::SHAPES, Contract::WordLists.all).problems(Contract::Type.new(kind: :shape, of: name), plain(data))

  def plain(data) = JSON.parse(JSON.generate(data), symbolize_names: true)

  def test_the_front_ends_types_are_those_that_ruby_declares
    assert_equal Api::Contract.typescript, read("web/src/api/contract.ts"), "the front end's types are not up to date: rake contract:write"
  end

  def test_the_documentation_is_that_of_the_declarations
    assert_equal Api::Contract.documentation, read("docs/schema.md"), "docs/schema.md is not up to date: rake contract:write"
  end

  def test_what_the_engine_says_is_as_declared
    assert_empty problems(:EngineAnalysis, Fixture.analysis.to_h)
    DemoSongs.results.each { |name, (heard, _)| assert_empty problems(:EngineAnalysis, heard), name }
  end

  def test_what_a_sheet_shows_is_as_declared
    assert_empty problems(:Analysis, Ethoscope::Sheet::SongSheet.new(Fixture.analysis, []).analysis.to_h)
  end

  def test_a_field_that_is_renamed_on_one_side_is_found
    renamed = Fixture.analysis.to_h.dup.tap { |data| data[:beat_times] = data.delete(:beats) }

    assert_equal ["answer.beat_times is not in the contract", "answer.beats is missing"], problems(:EngineAnalysis, renamed)
  end

  def test_wrong_kinds_and_unknown_words_are_found_with_their_place
    chords = Fixture.analysis.fetch(:chords).map { |chord| chord.merge(bar: "one") }
    layers = Fixture.analysis.fetch(:layers).map { |layer| layer.merge(source: "hearsay") }

    assert_equal "answer.chords[0].bar is no number but \"one\"", problems(:EngineAnalysis, Fixture.analysis.to_h.merge(chords:)).first
    assert_equal "answer.layers[0].source is none of LayerSource but \"hearsay\"", problems(:EngineAnalysis, Fixture.analysis.to_h.merge(layers:)).first
  end

  def test_nulls_tuples_and_maps_are_told_apart
    extend Contract::Notation

    checker = Contract::Checker.new([], {})
    pair = tuple(Contract::Notation::NUMBER, Contract::Notation::STRING)

    assert_empty checker.problems(maybe(pair), nil)
    assert_equal ["answer is no list of 2"], checker.problems(pair, [1])
    assert_equal ["answer.b is no number but \"x\""], checker.problems(map(Contract::Notation::NUMBER), { a: 1, b: "x" })
    assert_empty checker.problems(either(one_of("open"), Contract::Notation::NUMBER), "open")
    refute_empty checker.problems(either(one_of("open"), Contract::Notation::NUMBER), "shut")
  end

  def test_every_shape_that_is_named_exists
    names = Api::Contract::SHAPES.map(&:name)

    assert_equal names.uniq, names
    assert_empty Api::Contract::SHAPES.flat_map { |shape| named_in(shape.type) }.uniq - names - Contract::WordLists.all.keys
  end

  private

  def named_in(type)
    case type.kind
    when :shape, :words then [type.of]
    when :object then type.of.flat_map { |field| named_in(field.type) }
    when :extended then [type.of.first, *type.of.last.flat_map { |field| named_in(field.type) }]
    when :tuple, :either then type.of.flat_map { |part| named_in(part) }
    when :list, :map, :maybe then named_in(type.of)
    else []
    end
  end
end
