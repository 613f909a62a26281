# frozen_string_literal: true

require_relative "../test_helper"

# A voice by what it does: tones that glide, formants that move; and when it begins and ends.
class VoiceTest < Ethoscope::TestCase
  Layers = Ethoscope::Layers
  # Stands in for VoiceModel.
  Model = Struct.new(:beats) do
    def likelihood(_rows) = Numo::DFloat.cast(beats)
  end

  def features = Fixture.features

  def grid = @grid ||= Ethoscope::Rhythm::BeatGrid.new(edges: (0..64).map { |beat| 0.3 + (beat * 0.6) }, pickup: 0, meter: Ethoscope::Rhythm::Meter.named("4/4"))

  def layer(beats) = Layers::Voice.new(features.short, features.spectra, grid, model: Model.new(beats)).layer

  def test_a_sung_passage_has_its_bars_and_its_seconds
    sung = layer([*[0.05] * 16, *[0.95] * 18, *[0.05] * 30])

    assert_equal %w[vocal mix], [sung.role, sung.source]
    assert_equal [[0.3 + (16 * 0.6), 0.3 + (34 * 0.6)]], sung.spans
    assert_equal([4, 5, 6, 7], sung.activity.each_index.select { |bar| sung.activity[bar] > 0.5 })
    assert_in_delta 0.5, sung.activity[8], 0.05
  end

  def test_single_beats_neither_begin_nor_break_a_line
    beats = [*[0.05] * 16, *[0.95] * 16, *[0.05] * 32]
    beats[5] = 0.8
    beats[24] = 0.2

    assert_equal [[0.3 + (16 * 0.6), 0.3 + (32 * 0.6)]], layer(beats).spans
  end

  def test_nobody_sings_where_hardly_a_beat_is_sung
    assert_nil layer([0.1] * 64)
    assert_nil layer([*[0.1] * 30, *[0.95] * 4, *[0.1] * 30])
  end

  def test_a_voice_is_told_by_one_sure_passage_and_then_in_others
    doubtful = [*[0.05] * 8, *[0.78] * 12, *[0.05] * 44]

    assert_nil layer(doubtful)
    assert_equal 2, layer([*doubtful.first(40), *[0.95] * 10, *[0.05] * 14]).spans.size
  end

  def test_a_voice_of_which_no_passage_is_sure_is_a_doubt_and_takes_nothing_from_the_lead
    lead = Layers::Layer.of_mix(role: "lead", activity: [0.9] * 16, confidence: 0.8, spans: [])
    sure, doubt = [0.95, 0.87].map { |belief| [*[0.05] * 32, *[belief] * 32] }
    told = Layers::Voice.new(features.short, features.spectra, grid, model: Model.new(doubt)).beside([lead])

    assert_equal [lead, [[19.5, 38.7]]], [told[0], told[1].spans.map { |span| span.map { |time| time.round(1) } }]
    assert_operator told[1].confidence, :<, 0.5
    assert_operator layer(sure).confidence, :>, 0.8
  end

  def test_where_somebody_sings_what_stands_out_is_no_lead
    voice = Layers::Voice.new(features.short, features.spectra, grid, model: Model.new([*[0.05] * 32, *[0.95] * 32]))
    lead = Layers::Layer.of_mix(role: "lead", activity: [0.9] * 16, confidence: 0.8, spans: [])
    kick = Layers::Layer.of_mix(role: "kick", activity: [0.9] * 16, confidence: 0.8, spans: [])
    told = voice.beside([kick, lead])

    assert_equal %w[kick lead vocal], told.map(&:role)
    assert_equal [kick, [0.9] * 8], [told[0], told[1].activity.first(8)]
    assert_operator told[1].activity.last(8).max, :<, 0.5
    assert_equal [[0.3, 19.5]], told[1].spans
  end

  def test_passages_in_which_nobody_sings_are_listed_and_short_rests_are_not
    voices = [[0.1, 0.1, 0.9, 0.1, 0.9, 0.1, 0.1, 0.1, 0.1], [0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.8, 0.1, 0.1]].map do |activity|
      Layers::Layer.of_mix(role: "vocal", activity:, confidence: 0.9, spans: [])
    end

    assert_equal [1..2, 8..9], Layers::Voice.rests(voices)
  end

  def test_in_a_band_without_a_singer_nobody_sings
    assert_nil Layers::Voice.new(features.short, features.spectra, grid).layer
  end

  def test_a_tone_that_glides_lies_between_the_semitones_and_turns_more
    held, glided = [0.0, 60.0].map { |cents| measured(cents) }

    %w[between turns].each do |name|
      columns = Layers::VoiceFeatures::INPUTS.each_index.select { |i| Layers::VoiceFeatures::INPUTS[i].match?(/\A#{name}[^,]*: near\z/) }

      assert_operator columns.map { |column| glided[true, column].mean }.max, :>, columns.map { |column| held[true, column].mean }.max, name
    end
  end

  def test_a_row_for_every_beat_with_all_that_is_looked_at
    rows = Layers::VoiceFeatures.new(features.short, features.spectra, grid.edges).rows

    assert_equal [64, Layers::VoiceFeatures::INPUTS.size], rows.shape
    assert_equal 0, rows.isnan.count_true
  end

  private

  # A tone of many partials whose pitch sways by so many cents, as the features see it.
  def measured(cents)
    time = Numo::DFloat.new(8 * 44_100).seq / 44_100
    sway = Numo::NMath.sin(time * (2 * Math::PI * 5.5)) * (cents / 1200.0 * Math.log(2))
    phase = (time + (sway.cumsum / 44_100)) * (2 * Math::PI * 220)
    sound = (1..12).sum { |partial| Numo::NMath.sin(phase * partial) / partial }
    recording = Ethoscope::Audio::Recording.new(channels: Numo::SFloat.cast(sound * 0.2).reshape(1, sound.size), rate: 44_100)
    found = Ethoscope::Engine::Features.of(recording)
    Layers::VoiceFeatures.new(found.short, found.spectra, (0..12).map { |beat| 0.5 + (beat * 0.5) }).rows
  end
end
