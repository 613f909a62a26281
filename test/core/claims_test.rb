# frozen_string_literal: true

require_relative "../test_helper"

# What several songs have in common, told beside other music, and how sure that is.
class ClaimsTest < Ethoscope::TestCase
  Profile = Ethoscope::Profile
  METER = "time.meter"
  NOBODY = Profile::Reliability.new({})

  def claims(songs, elsewhere: [{ METER => "4/4" }] * 9, reliability: NOBODY, **more)
    Profile::Claims.new(songs, baseline: Profile::Baseline.new("others", elsewhere), reliability:, **more)
  end

  def meters(*names) = names.map { |name| { METER => name } }

  def test_a_clear_majority_claims_half_does_not
    assert_equal(["In 3/4"], claims(meters("3/4", "3/4", "3/4", "4/4")).all.map(&:words))
    assert_empty claims(meters("3/4", "3/4", "4/4", "4/4")).all
    assert_empty claims(meters("3/4", nil, nil, nil)).all
  end

  def test_what_is_rare_elsewhere_is_its_own_and_what_all_music_has_is_common
    common = claims(meters("4/4", "4/4", "4/4", "4/4")).all.first
    own = claims(meters("3/4", "3/4", "3/4", "3/4")).all.first

    assert_equal ["common", 1.0, false], [common.standing, common.elsewhere, common.said?]
    assert_equal ["own", 0.0, true], [own.standing, own.elsewhere, own.said?]
  end

  def test_two_songs_and_thin_leads_are_too_few_to_tell
    assert_equal "few", claims(meters("3/4", "3/4")).all.first.standing
    half = meters(*(["3/4"] * 5), *(["4/4"] * 5))

    assert_equal "few", claims(meters("3/4", "3/4", "3/4", "4/4"), elsewhere: half).all.first.standing
  end

  def test_a_share_of_a_few_lies_in_a_wide_interval
    assert_equal [0.51, 1.0], Profile::Wilson.interval(4, 4)
    assert_equal [0.301, 0.954], Profile::Wilson.interval(3, 4)
    assert_equal [0.0, 1.0], Profile::Wilson.interval(0, 0)
  end

  def test_songs_at_the_side_count_half_and_others_not_at_all
    songs = meters("3/4", "3/4", "4/4", "4/4")

    assert_equal(["In 3/4"], claims(songs, weights: [1.0, 1.0, 0.5, 0.5]).all.map(&:words))
    assert_equal([[2, 2]], claims(songs, weights: [1.0, 1.0, 0.0, 0.0]).all.map { |claim| [claim.n, claim.m] })
  end

  def test_each_word_of_a_set_is_claimed_and_a_figure_has_a_range
    songs = [[%w[ii V], 10.0], [%w[ii V], 11.0], [%w[ii IV], 12.0], [%w[ii], 40.0]].map { |degrees, bars| { "harmony.degrees" => degrees, "form.bars" => bars } }

    assert_equal(["10 to 12 bars long", "Uses ii"], claims(songs, elsewhere: []).all.map(&:words).sort)
  end

  def test_one_groove_that_is_counted_at_two_tempos_is_one_zone
    tempo = claims([71.0, 142.0, 73.0].map do |bpm|
      { "time.tempo" => bpm }
    end, elsewhere: [{ "time.tempo" => 144.0 }, { "time.tempo" => 100.0 }]).all.find { |claim| claim.trait == "time.tempo" }

    assert_equal [[71.0, 73.0], 3, 0.5], [tempo.value, tempo.n, tempo.elsewhere]
  end

  def test_what_says_it_more_exactly_takes_its_place
    songs = [{ "harmony.minor" => true, "harmony.mode" => "dorian" }] * 3

    assert_equal(["In dorian"], claims(songs, elsewhere: []).all.map(&:words))
  end

  def reliability(*line) = Profile::Reliability.new({ [METER, "3/4"] => Profile::Reliability::Line.new(**%i[right wrong missed neither].zip(line).to_h) })

  def test_what_is_often_misheard_is_not_said
    sure = ->(line, songs) { reliability(*line).sure(METER, "3/4", songs) }

    assert_operator sure.call([40, 0, 0, 60], [true] * 4), :>, 0.99
    assert_operator sure.call([20, 40, 10, 30], [true] * 4), :<, 0.8
    assert_operator sure.call([40, 4, 4, 60], [true] * 4), :>, sure.call([40, 4, 4, 60], [true, true, true, false])
    assert_nil sure.call([2, 0, 0, 60], [true] * 4)
    refute_predicate claims(meters(*(["3/4"] * 4)), reliability: reliability(20, 40, 10, 30)).all.first, :said?
  end

  def test_what_is_reckoned_for_many_songs_joins_what_is_counted_for_few
    sure = ->(heard, missed) { reliability(40, 6, 6, 60).sure(METER, "3/4", ([true] * heard) + ([false] * missed)) }

    assert_in_delta sure.call(26, 14), sure.call(27, 14), 0.08
    assert_operator sure.call(150, 50), :>, 0.99
    assert_operator sure.call(50, 150), :<, 0.01
    assert_equal sure.call(3, 1), reliability(40, 6, 6, 60).sure(METER, "3/4", [nil, true, true, nil, true, false])
  end

  def test_songs_are_parted_the_same_way_whether_every_two_are_tried_or_not
    waltzes = Array.new(10) { alike("3/4", true, %w[ii V], "intro") }
    marches = Array.new(10) { alike("4/4", false, %w[♭VII IV], "chorus") }

    assert_equal [(0..9).to_a, (10..19).to_a], kinship(waltzes + marches).groups.map { |group| group[:songs] }.sort
  end

  def test_other_songs_are_counted_by_the_same_claim
    own = claims(meters("3/4", "3/4", "3/4"))
    tempo = claims([{ "time.tempo" => 100.0 }] * 3, elsewhere: []).all.find { |claim| claim.trait == "time.tempo" }

    assert_equal [1, 2], own.count(own.all.first, meters("3/4", "4/4", nil))
    assert_equal [1, 2], own.count(tempo, [{ "time.tempo" => 50.0 }, { "time.tempo" => 77.0 }])
  end

  def test_two_profiles_side_by_side_begin_with_what_tells_them_apart
    lines = Profile::Comparison.new(claims(meters(*(["3/4"] * 4)).map { |song| song.merge("time.swing" => true) }, elsewhere: []),
      claims(meters(*(["4/4"] * 4)).map { |song| song.merge("time.swing" => true) }, elsewhere: [])).lines

    assert_equal(["In 3/4", "In 4/4", "Swung"], lines.map(&:words))
    assert_equal([[[4, 4], [0, 4], 1.0], [[4, 4], [4, 4], 0.0]], [lines.first, lines.last].map { |line| [line.here, line.there, line.apart] })
  end

  def kinship(songs) = Profile::Kinship.new(songs, claims(songs, elsewhere: []))

  def alike(meter, swing, degrees, opening) = { METER => meter, "time.swing" => swing, "harmony.degrees" => degrees, "form.opening" => opening, "harmony.first" => swing }

  def test_two_groups_are_found_and_named_by_what_tells_them_apart
    waltzes = Array.new(3) { alike("3/4", true, %w[ii V], "intro") }
    marches = Array.new(3) { alike("4/4", false, %w[♭VII IV], "chorus") }
    groups = kinship(waltzes + marches).groups

    assert_equal [[0, 1, 2], [3, 4, 5]], groups.map { |group| group[:songs] }.sort
    assert_equal(["Opens on the intro", "Uses V", "Uses ii"], groups.find { |group| group[:songs].include?(0) }[:words])
    assert_empty kinship(waltzes * 3).groups
    assert_empty kinship(waltzes.first(2) + marches).groups
  end

  def test_the_song_that_stands_apart_is_told_by_what_all_others_have
    songs = Array.new(4) { alike("3/4", true, %w[ii V], "intro") }

    assert_nil kinship(songs).outlier
    outlier = kinship(songs + [alike("4/4", false, %w[ii V], "intro")]).outlier

    assert_equal 4, outlier[:song]
    assert_includes outlier[:respects], "In 3/4"
    refute_includes outlier[:respects], "Uses ii"
  end

  def test_the_music_that_ships_is_told_and_read_as_it_was_written
    shipped = Profile::Baseline.shipped
    meter = Ethoscope::Measures::Traits.fetch(METER)

    assert_operator shipped.songs.size, :>=, 150
    assert_in_delta 0.75, shipped.share_of(meter, "4/4"), 0.1
    assert_equal(["no", "4", "ii; V", "12.5"], [["time.swing", false], ["form.usual_length", 4], ["harmony.degrees", %w[ii V]], ["time.tempo", 12.5]].map do |id, value|
      Profile::Baseline.cell(Ethoscope::Measures::Traits.fetch(id), value).to_s
    end)
    assert(shipped.songs.all? { |song| song["time.tempo"].is_a?(Float) && [true, false].include?(song["time.swing"]) })
  end

  def test_other_music_that_tells_nothing_of_a_trait_is_not_counted_and_what_is_denied_is
    songs = [{ "time.swing" => false, "harmony.degrees" => %w[ii V ii] }, { "time.swing" => true, "time.tempo" => 90.0 }, { "time.swing" => false, "time.tempo" => 120.0 }, {}]
    music = Profile::Baseline.new("others", songs)
    swing, degrees, tempo, meter = ["time.swing", "harmony.degrees", "time.tempo", METER].map { |id| Ethoscope::Measures::Traits.fetch(id) }

    assert_equal [0.667, 0.333], [music.share_of(swing, false), music.share_of(swing, true)]
    assert_equal [1.0, 0.0], [music.share_of(degrees, "ii"), music.share_of(degrees, "I")]
    assert_in_delta(0.5, music.share(tempo) { |bpm| bpm < 100 })
    assert_nil music.share_of(meter, "4/4")
  end
end
