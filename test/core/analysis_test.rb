# frozen_string_literal: true

require_relative "../test_helper"

class AnalysisTest < Ethoscope::TestCase
  Analysis = Ethoscope::Analysis
  # What the corpus' scorer reads.
  SCORED = %i[tempo meter beats downbeats key tuning_cents chords sections layers groove techniques].freeze

  def setup
    @analysis = Fixture.analysis
  end

  def test_it_survives_json
    assert_equal @analysis, Analysis.from_h(JSON.parse(JSON.generate(@analysis.to_h)))
  end

  def test_it_is_frozen_throughout
    assert_predicate @analysis.to_h[:chords].first, :frozen?
    assert_raises(FrozenError) { @analysis.to_h[:beats] << 1 }
  end

  def test_it_holds_what_the_scorer_reads_and_more
    SCORED.each { |part| assert_includes @analysis.to_h, part }
    assert_raises(KeyError) { @analysis.fetch(:horoscope) }
    assert_equal "A minor", @analysis.key.to_s
    assert_nil Fixture.varied(key: nil).key
  end

  def test_every_bar_has_its_figures
    @analysis.fetch(:bars).each_with_index do |bar, i|
      assert_equal i + 1, bar[:bar]
      assert_operator bar[:start], :<, bar[:end]
      assert_in_delta 100, bar[:bpm], 0.5
      assert_includes(-70.0..0.0, bar[:energy])
    end
  end

  def test_progress_goes_through_all_stages_to_the_end
    told = []
    Analysis.of(Band.new(bpm: 120).bars(6, chords: %w[C], **Band::BACKBEAT).recording) { |stage, share| told << [stage, share] }

    assert_equal Ethoscope::Engine::Pipeline::STAGES.keys, told.map(&:first)
    assert_equal told.map(&:last).sort, told.map(&:last)
    assert_in_delta 1.0, told.last.last
  end

  def test_mono_is_analysed_with_no_width
    analysis = Analysis.of(Band.new(bpm: 120).bars(6, chords: %w[C], **Band::BACKBEAT).recording(stereo: false))

    assert_equal 1, analysis.fetch(:channels)
    assert(analysis.fetch(:bars).all? { |bar| bar[:width].zero? })
  end

  def test_an_excerpt_stops_at_its_last_bar
    part = Ethoscope::Excerpt.of(@analysis, 6)

    assert_equal 6, part.bars
    assert_equal([4, 2], part.fetch(:sections).map { |section| section[:bars] })
    assert_equal 24, part.fetch(:beats).size
    assert_in_delta part.fetch(:end), part.fetch(:chords).last[:end], 1e-4
    assert(part.fetch(:layers).all? { |layer| layer[:activity].size == 6 && layer[:spans].flatten.max.to_f <= part.fetch(:end) + 0.001 })
    assert_equal @analysis.key, part.key
  end

  def test_an_excerpt_names_no_bar_behind_its_last_one
    sheet = Sheet::SongSheet.new(@analysis,
      [Sheet::SheetNote.new(id: 1, aspect: "mark", value: { type: "idea", text: "late" }, from: 30.0, to: 31.0, source: "heard", state: "open", note: "")])
    [1, 3, 6, 11].each do |bars|
      part = Ethoscope::Excerpt.of(sheet.settled, bars).to_h
      named = bars_named(part.except(:score, :stems))

      assert_operator named.max, :<=, bars
      assert_operator part[:bass][:notes].map { |note| note[:end] }.max.to_f, :<=, part[:end] + 0.001
      assert_equal 7, Readings::Reader.new(Analysis.new(part)).readings.size
    end
  end

  # Every bar that any part of an analysis speaks of.
  def bars_named(part)
    case part
    when Hash
      own = part.values_at(:bar, :first_bar, :last_bar).compact + part.fetch(:starts, []).grep(Integer) + (part[:bars].is_a?(Array) ? part[:bars].grep(Integer) : [])
      own + part.values.flat_map { |inner| bars_named(inner) }
    when Array then part.flat_map { |inner| bars_named(inner) }
    else []
    end
  end

  def test_an_excerpt_as_long_as_the_song_is_the_song
    assert_same @analysis, Ethoscope::Excerpt.of(@analysis, 99)
    assert_raises(ArgumentError) { Ethoscope::Excerpt.of(@analysis, 0) }
  end
end
