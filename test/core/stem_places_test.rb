# frozen_string_literal: true

require_relative "../test_helper"

# Where stems lie over a mix: a table of stems that are of the song, as they come, and of some that are not.
class StemPlacesTest < Ethoscope::TestCase
  Stems = Ethoscope::Stems
  PIECES = { kick: [0, 2], snare: [1, 3], hats: [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5] }.freeze
  CHORDS = %w[Am F C G].freeze
  BARS = 16

  def self.features(band) = Ethoscope::Engine::Features.of(band.recording)

  def self.mix = @mix ||= features(Band.new(bpm: 100).bars(BARS, chords: CHORDS, **PIECES))

  # What plays, in a file as long as the mix.
  def self.stem(lead_in: 0.3, bpm: 100, bars: BARS, bass: false, **what) = features(Band.new(bpm:, lead_in:).bars(bars, bass:, **what))

  # Only some bars of it are played, the rest is silent.
  def self.sparse
    @sparse ||= features(Band.new(bpm: 100).bars(7).bars(1, snare: [3, 3.5]).bars(7).bars(1, snare: [3, 3.5]))
  end

  def place(stem) = Stems::Alignment.of(stem, self.class.mix)

  def test_stems_as_long_as_the_mix_lie_at_zero_however_they_are_played
    { "kick" => { kick: [0, 2] }, "hats" => { hats: PIECES[:hats] }, "chords" => { chords: CHORDS }, "chords and bass" => { chords: CHORDS, bass: true },
      "late hats" => { hats: PIECES[:hats].map { |beat| beat + 0.035 } }, "early snare" => { snare: [0.97, 2.97] } }.each do |name, what|
      found = place(self.class.stem(**what))

      assert_in_delta 0.0, found.offset, 1e-9, name
      assert_predicate found, :believable?, name
    end
  end

  def test_a_part_that_plays_twice_in_a_song_is_of_the_song
    found = place(self.class.sparse)

    assert_in_delta 0.0, found.offset, 1e-9
    assert_predicate found, :believable?
  end

  def test_a_file_that_starts_later_is_shifted_back
    found = place(self.class.stem(kick: [0, 2], lead_in: 1.6, bars: 12))

    # A kick on every other beat fits at each of them.
    assert_in_delta 0.0, ((found.offset + 1.3 + 0.6) % 1.2) - 0.6, 0.02
    assert_predicate found, :clear?
  end

  def test_a_mix_made_slower_afterwards_is_followed
    faster = self.class.stem(kick: [0, 2], snare: [1, 3], bpm: 102.5, lead_in: 0.3 / 1.025)
    found = place(faster)

    assert_in_delta 1.025, found.speed, 0.002
    assert_in_delta 0.0, found.offset, 1e-9
    sound = Stems::Sound.new(Stems::Stem.new(name: "kit", role: "kick", offset: found.offset, speed: found.speed, features: faster), Stage.grid(bars: 16), nil)

    assert_in_delta Stage.grid(bars: 16).edges[8] / found.speed, sound.grid.edges[8], 1e-6
  end

  def test_a_stem_of_another_song_fits_nowhere
    [{ kick: [0, 1.5, 2.75], snare: [1.25, 3.1], bpm: 133, bars: 20 }, { kick: [0, 0.75, 2.5], hats: [0.33, 1.9], bpm: 77, bars: 36 }].each do |what|
      refute_predicate place(self.class.stem(**what)), :believable?, what
    end
  end

  def test_stems_exported_together_share_their_speed
    stems = [{ seconds: 75.3, speed: 1.022, distinct: 8.2 }, { seconds: 75.32, speed: 1.0, distinct: 1.3 }, { seconds: 40.0, speed: 1.0, distinct: 1.2 },
             { seconds: 75.3, speed: 1.022, distinct: 4.0 }]

    assert_equal [1.022, 1.022, 1.0, 1.022], Stems::SharedSpeed.of(stems)
    assert_equal [1.0], Stems::SharedSpeed.of([{ seconds: 3.0, speed: 1.0, distinct: nil }])
  end
end
