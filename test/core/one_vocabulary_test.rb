# frozen_string_literal: true

require_relative "../test_helper"

# The front end offers what the core takes, no more and no less: its lists of words are the core's.
class OneVocabularyTest < Ethoscope::TestCase
  WEB = File.expand_path("../../web/src", __dir__)

  def source(file) = File.read(File.join(WEB, file))

  # The strings of a list: `export const NAME = ["a", "b"]`.
  def list(file, name) = source(file)[/export const #{name}\b[^=]*= \[(.*?)\]/m, 1].scan(/"([^"]+)"/).flatten

  # The strings of a union: `export type Name = "a" | "b";`.
  def union(file, name) = source(file)[/type #{name} =(.*?);/m, 1].scan(/"([^"]+)"/).flatten

  def test_roles_are_those_of_the_core
    assert_equal Layers::Role::ALL, list("lib/keys.ts", "ROLES")
  end

  def test_modes_are_those_of_the_core
    assert_equal Harmony::Key::MODES.sort, list("lib/keys.ts", "MODES").sort
  end

  def test_tonics_are_the_twelve_pitch_classes_once_each
    assert_equal((0..11).to_a, list("lib/keys.ts", "TONICS").map { |name| Harmony::PitchClass.parse(name) })
  end

  def test_meters_are_those_of_the_core_with_as_many_beats
    assert_equal Rhythm::Meter::ALL.map(&:name).sort, list("lib/keys.ts", "METERS").sort
    Rhythm::Meter::ALL.each do |meter|
      assert_equal meter.beats, source("lib/keys.ts")[/"#{meter.name}": (\d+)/, 1].to_i, meter.name
    end
  end

  def test_states_and_sources_of_readings_are_those_of_the_core
    assert_equal Readings::Values::STATES.sort, union("api/types.ts", "ReadingState").sort
    assert_equal Readings::Values::SOURCES.sort, union("api/types.ts", "Source").sort
  end

  def test_the_readings_of_the_strip_and_the_notes_on_the_sheet_are_those_of_the_core
    assert_equal Readings::Reader::ASPECTS.sort, list("sheet/Strip.tsx", "ASPECTS").sort
    assert_equal Readings::Reader::ASPECTS.sort, union("api/types.ts", "Aspect").sort
    assert_equal (Readings::Values::OF.keys - Readings::Reader::ASPECTS).sort, union("api/types.ts", "NotedAspect").sort
  end
end
