# frozen_string_literal: true

require_relative "../test_helper"

# However a sheet is edited: undoing everything brings back the first state, doing everything again the last one, to the byte.
class JournalPropertyTest < Ethoscope::TestCase
  include AnalysedSong

  def setup
    super
    @random = Random.new(11)
  end

  def rows = library.db[:readings].where(reference_id: @id).order(:id).all

  def pick(list) = list[@random.rand(list.size)]

  def record(label, &) = library.journal.record(@id, label, &)

  def current(aspect) = library.readings.current(@id)[aspect][:id]

  # One edit of a random kind.
  def edit
    case @random.rand(6)
    when 0 then record("Mark") { |readings| readings.mark(pick(rows)[:id], pick(%w[open confirmed refuted])) }
    when 1 then record("Tempo") { |readings| readings.correct(current("tempo"), value: { bpm: 40 + @random.rand(100) }, source: "heard") }
    when 2 then record("Key") { |readings| readings.add(@id, aspect: "key", value: { tonic: pick(%w[C D E]), mode: "minor" }, source: "told") }
    when 3 then pin
    when 4 then chord
    else remove
    end
  end

  def pin
    record("Pin") do |readings|
      readings.note(@id, aspect: "mark", value: { type: "idea", text: @random.rand.to_s }, statement: "x", source: "heard", starts_at: 1.0, ends_at: 2.0)
    end
  end

  def chord
    record("Chord") do |readings|
      Work::Chords.new(readings).write(@id,
        { value: { symbol: pick(%w[Am9 Dm G7]) }, from: 2.7, to: 5.1, bar: 2, statement: "x", source: "heard", state: "open", confidence: nil, note: "" })
    end
  end

  def remove
    own = library.readings.of_aspect(@id, "mark") + library.readings.of_aspect(@id, "chord")
    own.empty? ? chord : record("Remove") { |readings| readings.delete(pick(own)[:id]) }
  end

  def steps = library.journal.state(@id)[:edits].size

  def test_everything_undone_is_the_beginning_and_everything_done_again_the_end
    beginning = rows
    states = [beginning]
    80.times do
      before = steps
      edit
      states << rows if steps > before
    end

    assert_operator states.size, :>, 60
    states.reverse.drop(1).each do |state|
      library.journal.undo(@id)

      assert_equal state, rows
    end
    assert_nil library.journal.undo(@id)
    states.drop(1).each do |state|
      library.journal.redo(@id)

      assert_equal state, rows
    end
    assert_nil library.journal.redo(@id)
  end

  def test_a_walk_back_and_forth_ends_where_it_should
    20.times { edit }
    states = [rows]
    12.times { library.journal.undo(@id) && states.unshift(rows) }
    60.times do
      back = @random.rand(2).zero?
      at = states.index(rows)
      expected = states[(at + (back ? -1 : 1)).clamp(0, states.size - 1)]
      back ? (at.positive? && library.journal.undo(@id)) : library.journal.redo(@id)

      assert_equal expected, rows
    end
  end
end
