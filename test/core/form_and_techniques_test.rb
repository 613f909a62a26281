# frozen_string_literal: true

require_relative "../test_helper"

# Sections, layers and techniques on sound with a known form.
class FormAndTechniquesTest < Ethoscope::TestCase
  DRUMS = Band::BACKBEAT
  WITHOUT = {}.freeze

  # One song for all tests: a dull mono intro, verses and choruses, a bar without drums before each chorus.
  def self.song
    @song ||= begin
      band = Band.new(bpm: 120)
      band.bars(8, chords: %w[Am F C G], bass: false, dull: true, gain: 0.5)
      2.times do
        band.bars(7, chords: %w[Am F C G], **DRUMS).bars(1, chords: %w[G])
        band.bars(8, chords: %w[Dm E7], wide: true, gain: 1.6, kick: [0, 1, 2, 3], snare: [1, 3], hats: (0...16).map { |step| step / 4.0 })
      end
      Ethoscope::Analysis.of(band.recording)
    end
  end

  def setup
    @analysis = self.class.song
    @sections = @analysis.fetch(:sections)
  end

  def test_sections_begin_where_the_band_changes
    assert_equal([1, 9, 17, 25, 33], @sections.map { |section| section[:first_bar] })
    assert_equal 40, @analysis.bars
  end

  def test_what_returns_has_its_letter_and_label_again
    letters = @sections.map { |section| section[:letter] }

    assert_equal letters[1], letters[3]
    assert_equal letters[2], letters[4]
    refute_equal letters[1], letters[2]
    assert_equal(%w[intro verse chorus verse chorus], @sections.map { |section| section[:label] })
  end

  def test_sections_cover_the_song_without_gaps
    @sections.each_cons(2) { |a, b| assert_equal a[:first_bar] + a[:bars], b[:first_bar] }
    assert_equal(40, @sections.sum { |section| section[:bars] })
    assert(@sections.all? { |section| section[:confidence].between?(0, 1) && !section[:reason].empty? })
  end

  def test_energy_follows_the_mix
    bars = @analysis.fetch(:bars)

    assert_operator mean(bars[18, 6], :energy), :>, mean(bars[10, 4], :energy)
    assert_operator mean(bars[10, 4], :energy), :>, mean(bars[1, 6], :energy) + 3
    assert_operator mean(bars[18, 6], :width), :>, mean(bars[10, 4], :width)
  end

  def test_drums_are_heard_where_they_play_and_not_before
    %w[kick hats].each do |role|
      activity = layer(role)[:activity]

      assert_operator activity[17, 6].sum / 6, :>, 0.6, role
      assert_operator activity[0, 7].sum / 7, :<, 0.3, role
    end
    assert_operator layer("bass")[:activity][9, 5].sum / 5, :>, 0.6
  end

  def test_drums_that_stop_before_a_section_are_a_sighting
    assert_equal [16, 32], first_bars("drum_drop")
  end

  def test_a_dull_section_that_opens_is_a_sighting
    assert_equal [1], first_bars("filtered_section")
  end

  def test_a_narrow_section_that_opens_wide_is_a_sighting
    assert_includes first_bars("width_contrast"), 9
  end

  def test_a_kick_on_every_beat_is_a_sighting
    assert_includes first_bars("four_on_floor"), 33 # its other return is doubted: each first beat hides behind a bass note
  end

  def test_hats_that_double_their_rate_are_a_sighting
    assert_includes first_bars("hat_rate_change"), 17
  end

  def test_sightings_carry_bars_times_and_confidence
    @analysis.fetch(:techniques).each do |sighting|
      assert_operator sighting[:first_bar], :<=, sighting[:last_bar]
      assert_operator sighting[:start], :<, sighting[:end]
      assert_includes 0.0..1.0, sighting[:confidence]
      assert Ethoscope::Techniques::Library.entry(sighting[:kind])
    end
  end

  private

  def layer(role) = @analysis.fetch(:layers).find { |candidate| candidate[:role] == role }

  def first_bars(kind) = @analysis.fetch(:techniques).select { |sighting| sighting[:kind] == kind }.map { |sighting| sighting[:first_bar] }

  def mean(bars, name) = bars.sum { |bar| bar[name] } / bars.size
end
