# frozen_string_literal: true

require_relative "../test_helper"

# What styles differ by, read off vectors whose chords, strokes and players are known.
class TraitsTest < Ethoscope::TestCase
  Traits = Ethoscope::Measures::Traits
  SECTIONS = [%w[intro 4], %w[verse 8], %w[chorus 8], %w[verse 8]].freeze

  def row(value, place = nil) = { value:, source: "mix", confidence: 1.0, place: }.compact

  def places
    first = 1
    @places ||= SECTIONS.map { |label, bars| { label:, letter: "A", first_bar: first, bars: Integer(bars) }.tap { first += Integer(bars) } }
  end

  # chords: labels, a bar each, in every section; kit: patterns of 16 steps by role; players: by role the sections in which it is full.
  def traits(chords: [], kit: {}, players: {}, meter: "4/4", key: %w[C major], techniques: [])
    rows = { "form.section": places.map { |place| row({ label: place[:label] }, place) },
             "harmony.chords": places.map { |place| row(chords.map { |label| { label:, beats: 4.0 } }, place) },
             "groove.steps": kit.map do |role, steps|
               row({ steps: steps.size, bars: 1, hits: steps.chars.map do |step|
                 step == "x" ? 1.0 : 0.0
               end, per_beat: 4 }, places[1].merge(role:))
             end,
             "layers.plays": players.flat_map { |role, sections| places.each_with_index.map { |place, i| row(sections.include?(i) ? "full" : "absent", place.merge(role:)) } },
             "techniques.technique": techniques.map { |kind| row({ kind: }) } }
    whole = { "time.meter": meter, "time.tempo": { bpm: 90.0 }, "time.length": 28, "harmony.key": { tonic: key[0], mode: key[1] }, "harmony.mode": key[1],
              "groove.swing": { ratio: 0.5 } }
    Ethoscope::Measures::SongTraits.of(Ethoscope::Measures::Vector.new(whole.transform_values { |value| [row(value)] }) { rows })
  end

  def test_each_trait_is_documented_by_its_words_and_its_kind
    Traits.all.each do |trait|
      assert_match(/\A[a-z]+\.[a-z_]+\z/, trait.id)
      assert_includes Ethoscope::Checklist::FromClaims::STAGES.keys, trait.aspect
      assert_equal trait.kind == :figure, !trait.spread.nil?, trait.id
    end
    assert_empty(Traits.all.filter_map(&:measure).reject { |measure| Ethoscope::Measures::Registry.known?(measure) })

    assert_equal Traits.all.map(&:id).uniq, Traits.all.map(&:id)
  end

  def test_degrees_are_named_by_where_they_come_from
    found = traits(chords: %w[C:maj D:7 F:min Bb:maj G:maj])

    assert_equal ["II (V of V)", "borrowed iv", "borrowed ♭VII", "V"], found["harmony.degrees"]
    assert_equal [false, true, true, false], found.values_at("harmony.inside", "harmony.first", "harmony.dominant", "harmony.final")
    assert_equal(["♭VI", "♭VII"], traits(chords: %w[A:min F:maj G:maj], key: %w[A minor])["harmony.degrees"])
  end

  def test_chords_are_told_by_colour_bass_rate_and_how_roots_move
    fourths = traits(chords: %w[D:min7 G:7 C:maj7 C:maj7/3])
    steps = traits(chords: %w[A:min G:maj F:maj G:maj], key: %w[A minor])

    assert_equal [true, true, true, false, "one"], fourths.values_at("harmony.coloured", "harmony.sevenths", "harmony.fourths", "harmony.steps", "harmony.rate")
    assert_equal [false, false, true, true], steps.values_at("harmony.coloured", "harmony.fourths", "harmony.steps", "harmony.same_everywhere")
    assert fourths["harmony.inverted"]
    assert_equal ["major sevenths", "minor sevenths", "dominant sevenths"], fourths["harmony.qualities"]
  end

  def test_the_kit_is_told_by_its_main_pattern
    four = traits(kit: { "kick" => "x...x...x...x...", "snare" => "....x.......x...", "hats" => "..x...x...x...x." })
    half = traits(kit: { "kick" => "x.........x.....", "snare" => "........x.......", "hats" => "x.x.x.x.x.x.x.x." })

    assert_equal [true, true, false, "2 and 4", "off"], four.values_at("groove.every_beat", "groove.one", "groove.kick_off", "groove.answer", "groove.hats")
    assert_equal [false, true, true, "3", "eighths"], half.values_at("groove.every_beat", "groove.sparse_kick", "groove.kick_off", "groove.answer", "groove.hats")
    assert_equal [["1", "3.5"], %w[2 3 4]], half.values_at("groove.kick_at", "groove.kick_rests_at")
  end

  def test_without_a_kit_nothing_is_said_of_patterns
    found = traits(players: { "bass" => [0, 1, 2, 3] })

    assert_equal [true, true, nil, nil, nil], found.values_at("groove.none", "groove.no_kick", "groove.every_beat", "layers.bare_start", "layers.kit_rests")
  end

  def test_players_are_told_by_where_they_come_in_and_rest
    found = traits(players: { "kick" => [1, 3], "snare" => [1, 3], "hats" => [1, 3], "bass" => [0, 1, 2, 3], "lead" => [2] })

    assert_equal [true, true, false, true], found.values_at("layers.bare_start", "layers.kick_later", "layers.bare_end", "layers.kit_rests")
    assert_equal [true, true, false, false], found.values_at("layers.bass_share", "layers.late_lead", "layers.kick_share", "layers.together")
    assert_equal [true, true], found.values_at("layers.thin_start", "layers.full_end")
  end

  def line_traits(notes: [], energy: [], departures: [], chords: [])
    rows = { "form.section": places.map { |place| row({ label: place[:label] }, place) },
             "lines.notes": [row(notes.map { |bar, beat, pitch| { bar:, beat:, beats: 1.0, pitch: } }, places[1].merge(role: "bass"))],
             "harmony.chords": [row(chords.map { |bar, label| { bar:, beat: 1.0, beats: 4.0, label: } }, places[1])],
             "form.energy": places.zip(energy).map { |place, value| row(value, place) },
             "groove.departures": [row(departures.map { |bar| { bar:, kind: "fill", strokes: [] } }, places[1])], "layers.plays": [row("full", places[1].merge(role: "kick"))] }
    Ethoscope::Measures::SongTraits.of(Ethoscope::Measures::Vector.new({ "time.meter": [row("4/4")], "time.length": [row(28)] }) { rows })
  end

  def test_the_bass_is_told_by_register_density_and_roots
    notes = [[1, 1.0, 36], [1, 3.0, 36], [2, 1.0, 41], [2, 3.0, 41], [2, 4.0, 43]]
    found = line_traits(notes:, chords: [[1, "C:maj"], [2, "F:maj"]])

    assert_equal [41, 2.5, true], found.values_at("lines.bass_register", "lines.bass_density", "lines.bass_roots")
    refute line_traits(notes:, chords: [[1, "D:min"], [2, "G:maj"]])["lines.bass_roots"]
    assert_equal "The bass lies around C2 to F2", Traits.fetch("lines.bass_register").words([36, 41])
    assert_equal [nil, nil], line_traits.values_at("lines.bass_register", "lines.bass_roots")
  end

  def test_fills_and_how_far_the_chorus_rises
    found = line_traits(energy: [10.0, 40.0, 65.0, 40.0], departures: [4, 8, 12, 16])

    assert_equal [true, true], found.values_at("lines.fills", "lines.lift")
    assert_equal [false, false], line_traits(energy: [10.0, 40.0, 45.0, 40.0], departures: [4]).values_at("lines.fills", "lines.lift")
  end

  def test_form_is_told_by_labels_lengths_and_where_the_chorus_comes
    found = traits

    assert_equal [%w[intro verse chorus], "intro", 8, 4, false, 28],
      found.values_at("form.labels", "form.opening", "form.usual_length", "form.count", "form.early_chorus", "form.bars")
    assert_equal [4, false, "walking", "4/4", false], found.values_at("form.shortest", "form.even", "time.pace", "time.meter", "time.swing")
    assert_equal ["riser"], traits(techniques: %w[riser riser two_chord_loop])["mix.techniques"]
  end

  def test_a_vector_keeps_its_traits
    vector = Ethoscope::Measures::Vector.of(Fixture.analysis)
    again = Ethoscope::Measures::Vector.from_h(JSON.parse(JSON.generate(vector.to_h), symbolize_names: true))

    assert_equal Ethoscope::Measures::SongTraits.of(vector), vector.traits
    assert_equal vector.traits, again.traits
    assert(vector.all.none? { |measured| measured.measure.start_with?("style") })
  end
end
