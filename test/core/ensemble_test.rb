# frozen_string_literal: true

require_relative "../test_helper"

# Stems and a score beside the mix: where they lie, what they tell, and who leads.
class EnsembleTest < Ethoscope::TestCase
  PIECES = { kick: [0, 2], snare: [1, 3], hats: [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5] }.freeze
  CHORDS = %w[Am F C G].freeze
  VOICINGS = [[57, 60, 64], [53, 57, 60], [48, 52, 55], [55, 59, 62]].freeze

  # The fixture's band as separate recordings.
  def self.stem(bars: 16, bpm: 100, lead_in: 0.3, **what)
    (@stems ||= {})[[bars, bpm, lead_in, what]] ||= begin
      drums = what.slice(*PIECES.keys)
      band = Band.new(bpm:, lead_in:).bars(bars, chords: what[:chords], bass: what.fetch(:bass, false), **drums)
      Engine::Features.of(band.recording)
    end
  end

  def self.mix = @mix ||= Engine::Features.of(Band.new(bpm: 100).bars(16, chords: CHORDS, **PIECES).recording)

  def self.kick = stem(kick: PIECES[:kick])

  # What the band plays, written down: one bar of silence more at its start.
  def self.score(bpm: 100, transpose: 0)
    kick = Array.new(16) { |bar| [0, 2].map { |beat| [4 + (bar * 4) + beat, 0.25, 36] } }.flatten(1)
    tones = Array.new(16) { |bar| VOICINGS[bar % 4].map { |pitch| [4 + (bar * 4), 3.9, pitch + transpose] } }.flatten(1)
    Midi::ScoreReader.read(MidiFile.bytes([["Kick", 9, kick], ["Keys", 0, tones]], bpm:))
  end

  def self.analysis(sources) = Analysis.of(features: mix, sources:)

  def test_a_stem_leads_and_the_mix_is_its_rival
    part = self.class.stem(bars: 8, kick: PIECES[:kick])
    layers = self.class.analysis(sources("kick" => part)).fetch(:layers)
    kick = layers.find { |layer| layer[:role] == "kick" }

    assert_equal "stem", kick[:source]
    assert_equal(["mix"], kick[:rivals].map { |rival| rival[:source] })
    assert_operator kick[:activity].first(8).min, :>, 0.9
    assert_in_delta 0.0, kick[:activity].last(7).max
    assert_equal "mix", layers.find { |layer| layer[:role] == "hats" }[:source]
  end

  def test_what_is_measured_on_a_stem
    stem = self.class.analysis(sources("kick" => self.class.kick)).fetch(:stems).first

    assert_equal ["kick", "mono", 0.0, "sharp"], [stem[:role], stem[:image], stem[:offset], stem[:shape][:attack]]
    assert_in_delta 0.5, stem[:density], 0.1
    assert_equal 1, stem[:period]
    assert_operator stem[:bandwidth].first, :<, 70
    assert_equal 16, stem[:bars][:level_db].size
    assert_in_delta 0.0, stem[:timing][:late_ms], 15
  end

  def test_a_score_is_laid_over_the_recording_and_leads
    analysis = self.class.analysis(Sources.new(stems: [], score: self.class.score, roles: {}))
    score = analysis.fetch(:score)

    assert_in_delta 0.3 - 2.4, score[:placement][:offset], 0.03
    assert score[:placement][:believable]
    assert_equal({ chords: "midi", drums: "midi" }, analysis.fetch(:told_by).slice(:chords, :drums))
    assert_equal(%w[Am F C G], analysis.fetch(:chords).reject { |chord| chord[:degree].nil? }.first(4).map { |chord| chord[:symbol] })
    assert_equal(%w[midi midi], analysis.fetch(:layers).select { |layer| %w[kick chords].include?(layer[:role]) }.map { |layer| layer[:source] })
  end

  def test_a_score_lies_where_a_person_says_whatever_it_sounds_like
    other = Midi::ScoreReader.read(MidiFile.bytes([["Lead", 0, Array.new(50) { |i| [i * 1.37, 0.3, 61 + ((i * 5) % 11)] }]], bpm: 100))
    analysis = self.class.analysis(Sources.new(stems: [], score: other, roles: {}, place: { file_bar: 3, at: 7.5 }))
    placement = analysis.fetch(:score)[:placement]

    assert_equal [true, true], placement.values_at(:told, :believable)
    assert_in_delta 7.5 - (2 * 2.4), placement[:offset], 1e-3
    assert_equal("midi", analysis.fetch(:lines).find { |line| line[:layer] == "Lead" }[:source])
  end

  def test_ghost_tracks_effects_and_drones_leave_the_harmony_as_it_is
    keys = Array.new(16) { |bar| VOICINGS[bar % 4].map { |pitch| [bar * 4, 3.9, pitch] } }.flatten(1)
    beside = { "Ghost Kick" => [[0, 64, 47]], "Riser FX" => [[0, 64, 58]], "Drone" => [[0, 64, 38]], "Keys soft" => [[0, 64, 51, 2]] }
    score = Midi::ScoreReader.read(MidiFile.bytes([["Keys", 0, keys], *beside.each_with_index.map { |(name, notes), i| [name, i + 1, notes] }], bpm: 100))
    analysis = self.class.analysis(Sources.new(stems: [], score:, roles: {}))

    assert_equal(%w[Am F C G], analysis.fetch(:chords).reject { |chord| chord[:degree].nil? }.first(4).map { |chord| chord[:symbol] })
    assert_equal(["Drone", "Keys", "Riser FX"], analysis.fetch(:lines).reject { |line| line[:source] == "mix" }.map { |line| line[:layer] }.sort)
  end

  def test_a_score_at_another_tempo_is_stretched
    score = self.class.analysis(Sources.new(stems: [], score: self.class.score(bpm: 125), roles: {})).fetch(:score)

    assert score[:placement][:believable]
    assert_in_delta 0.3 - 2.4, score[:placement][:offset], 0.06
  end

  def test_the_count_of_a_score_leads_where_the_song_could_be_counted_so
    rhythm = Engine::Hearing.new(self.class.mix).rhythm
    bars = rhythm.grid.downbeats.first
    { 100 => 100.0, 50 => 50.0, 200 => 200.0, 93 => nil }.each do |bpm, expected|
      quarters = bpm / 100.0
      kick = Array.new(32) { |i| [i * 2 * quarters, 0.25, 36] }
      tones = Array.new(16) { |bar| VOICINGS[bar % 4].map { |pitch| [bar * 4 * quarters, 3.9 * quarters, pitch] } }.flatten(1)
      score = Midi::ScoreReader.read(MidiFile.bytes([["Kick", 9, kick], ["Keys", 0, tones]], bpm:))
      said = Ensemble::WrittenCount.new(score, self.class.mix, rhythm).correction

      expected ? assert_in_delta(expected, said.bpm, 0.01) : assert_nil(said, bpm)
      assert_in_delta bars, said.first_downbeat, 0.05 if said
    end
  end

  def test_what_a_person_counts_gives_the_same_bars_whatever_lies_beside_the_mix
    stems = sources("kick" => self.class.stem(kick: PIECES[:kick])).stems
    beside = [Sources.new(stems:, score: nil, roles: {}), Sources.new(stems: [], score: self.class.score, roles: {}), Sources.new(stems:, score: self.class.score, roles: {})]
    [{ bpm: 50.0 }, { bpm: 50.0, meter: "2/4" }, { meter: "3/4" }, { first_downbeat: 1.2 }].each do |said|
      corrections = Corrections.of(**said)
      bars = Analysis.of(features: self.class.mix, corrections:).fetch(:downbeats)

      beside.each { |sources| assert_equal bars, Analysis.of(features: self.class.mix, corrections:, sources:).fetch(:downbeats), said }
    end
  end

  # Half the tempo from bar 9 on, as it is played and as it is written.
  def self.halved
    @halved ||= begin
      band = Band.new(bpm: 120).bars(8, chords: CHORDS, **PIECES).tempo(60).bars(4, chords: CHORDS, **PIECES)
      kick = (0...12).flat_map { |bar| [0, 2].map { |beat| [(bar * 4) + beat, 0.25, 36] } }
      tones = (0...12).flat_map { |bar| VOICINGS[bar % 4].map { |pitch| [bar * 4, 3.8, pitch] } }
      markers = [[0, "Intro"], [16, "Verse 1"], [32, "Verse 2"]]
      [band, Midi::ScoreReader.read(MidiFile.bytes([["Kick", 9, kick], ["Keys", 0, tones]], bpm: 120, tempos: [[32, 60]], markers:))]
    end
  end

  def test_a_score_whose_tempo_changes_tells_every_beat_and_its_markers_the_sections
    band, score = self.class.halved
    analysis = Analysis.of(features: Engine::Features.of(band.recording), sources: Sources.new(stems: [], score:, roles: {}))
    beats = analysis.fetch(:beats)

    assert_equal "midi", analysis.fetch(:told_by)[:count]
    band.beats[0...-1].each { |beat| assert_operator beats.map { |other| (other - beat).abs }.min, :<, 0.03 }
    assert_equal([["intro", 1], ["verse", 5], ["verse", 9]], analysis.fetch(:sections).map { |section| section.values_at(:label, :first_bar) })
    assert_equal(%w[A B B], analysis.fetch(:sections).map { |section| section[:letter] })
    assert_equal([120, 60], analysis.fetch(:parts).map { |part| part[:bpm].round })
  end

  def test_a_score_of_another_song_is_told_apart_and_not_believed
    other = Midi::ScoreReader.read(MidiFile.bytes([["Lead", 0, Array.new(50) { |i| [i * 1.37, 0.3, 61 + ((i * 5) % 11)] }]], bpm: 93))
    analysis = self.class.analysis(Sources.new(stems: [], score: other, roles: {}))

    refute analysis.fetch(:score)[:placement][:believable]
    assert_equal "mix", analysis.fetch(:told_by)[:chords]
    assert(analysis.fetch(:layers).all? { |layer| layer[:source] == "mix" })
  end

  def test_where_the_stems_are_the_whole_mix_nothing_is_heard_beside_them
    parts = { "hats" => self.class.stem(hats: PIECES[:hats]), "chords" => self.class.stem(chords: CHORDS), "bass" => self.class.stem(chords: CHORDS, bass: true) }
    mix = Engine::Features.of(Band.new(bpm: 100).bars(16, chords: CHORDS, hats: PIECES[:hats]).recording)
    whole = Analysis.of(features: mix, sources: sources(parts))
    part = Analysis.of(features: mix, sources: sources(parts.slice("hats")))

    assert_equal %w[bass chords hats], whole.fetch(:layers).map { |layer| layer[:role] }.sort
    assert_includes part.fetch(:layers).map { |layer| layer[:role] }, "kick"
    assert_equal(["hats"], whole.fetch(:drums).flat_map { |pattern| pattern[:rows].map { |row| row[:piece] } }.uniq)
  end

  def test_the_table_of_layers_and_sections
    analysis = self.class.analysis(sources("kick" => self.class.stem(bars: 8, kick: PIECES[:kick])))
    table = Sheet::SectionTable.new(analysis.to_h.merge(sections: [{ first_bar: 1, bars: 8 }, { first_bar: 9, bars: 8 }], heard_layers: [painted])).rows
    kick, melodica = %w[kick melodica].map { |name| table[:layers].find { |layer| layer[:name] == name } }

    assert_equal(%w[full absent], kick[:cells].map { |cell| cell[:state] })
    assert_equal([[false, true], [true, false]], [kick, melodica].map { |layer| layer[:cells][1].values_at(:new, :left) })
    assert_includes table[:sections][1][:left], "kick"
    assert_includes table[:sections][1][:entered], "melodica"
  end

  def test_a_card_without_painting_hides_no_measured_layer_from_the_table
    card = painted.merge(name: "felt mallet", role: "kick", levels: [0] * 16)
    analysis = self.class.analysis(sources("kick" => self.class.kick))
    names = Sheet::SectionTable.new(analysis.to_h.merge(heard_layers: [card])).rows[:layers].map { |layer| layer[:name] }

    assert_includes names, "kick"
    refute_includes names, "felt mallet"
  end

  private

  def painted = { reading_id: 1, name: "melodica", role: "lead", levels: ([0] * 8) + ([3] * 8), card: {} }

  def sources(stems) = Sources.new(stems: stems.map { |role, features| Stems::Stem.new(name: role, role:, offset: 0.0, features:) }, score: nil, roles: {})
end
