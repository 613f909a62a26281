# frozen_string_literal: true

require_relative "../test_helper"

# A fault in one part of an analysis costs that part.
class GapsTest < Ethoscope::TestCase
  def features = Fixture.features

  # Runs an analysis while a method of some part of the core raises.
  def analysed_while_failing(owner, name)
    original = owner.method(name)
    owner.define_singleton_method(name) { |*| raise IndexError, "a fault on purpose" }
    Analysis.of(features:)
  ensure
    owner.define_singleton_method(name, original)
  end

  def test_what_fails_is_told_with_its_place_and_the_rest_stands
    gaps = Gaps.new
    value = gaps.beside("the lead lines", []) { Numo::SFloat.zeros(2)[5] }

    assert_equal [], value
    assert_equal ["the lead lines", nil], gaps.list.first.to_h.values_at(:what, :reason)
    assert_match(/\AIndexError at /, gaps.list.first.fault)
    assert_equal 3, gaps.beside("a sum", 0) { 1 + 2 }
  end

  def test_a_detector_that_fails_takes_no_other_with_it
    data = analysed_while_failing(Techniques::Detectors::TonicSemitone, :find).to_h

    assert_equal(["the technique “#{Techniques::Library.entry("tonic_semitone").name}”"], data[:gaps].map { |gap| gap[:what] })
    assert_match(/IndexError at .*: a fault on purpose/, data[:gaps].first[:fault])
    assert_equal Fixture.analysis.fetch(:techniques), data[:techniques]
  end

  def test_layers_lines_and_groove_fail_alone
    { Layers::Activity => "the layers", Layers::LeadLine => "the lead lines", Rhythm::MicroTiming => "the micro-timing", Form::Changes => "what enters and leaves",
      Harmony::BassLine => "the bass line", Harmony::SectionLoops => "the loops of sections" }.each do |owner, what|
      data = analysed_while_failing(owner, :new).to_h

      assert_includes data[:gaps].map { |gap| gap[:what] }, what
      assert_equal 16, data[:bars].size
      assert_equal Fixture.analysis.fetch(:chords), data[:chords]
      assert_equal Analysis.from_h(JSON.parse(JSON.generate(data))).to_h, data
      assert_equal 7, Readings::Reader.new(Analysis.new(data)).readings.size
      refute_empty Cli::Summary.new("song.wav", Analysis.new(data)).to_s
    end
  end

  def test_a_chord_without_a_root_is_no_chord_over_the_tonic
    refute_predicate Harmony::Chord.none, :any?
    assert_predicate Harmony::Chord.on(0, "maj"), :any?
    silent = ->(spans) { spans.each_with_index.map { |span, i| i % 4 == 3 ? span.class.new(**span.to_h, chord: Harmony::Chord.none) : span } }
    spans = silent.call(Stage.spans(*[["Em", 1.5], ["F", 0.5]] * 8))
    found = Techniques::Detectors::TonicSemitone.find(Stage.scene(spans:, key: Stage.key("E minor")))

    assert_equal(["tonic_semitone"], found.map(&:kind))
  end

  def test_a_clean_analysis_has_no_gaps
    assert_empty Fixture.analysis.fetch(:gaps)
  end
end
