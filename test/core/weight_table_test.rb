# frozen_string_literal: true

require_relative "../test_helper"

# Tables of weights that people can read.
class WeightTableTest < Ethoscope::TestCase
  Table = Ethoscope::Signal::WeightTable

  def table = Table.new(%w[left right], { "low" => [1.0, -0.25], "high" => [nil, 1e-9] })

  def test_blocks_are_taken_by_name
    assert_equal [[-0.25, 1.0]], table.block(["low"], %w[right left]).to_a
  end

  def test_what_is_missing_is_named
    assert_match(/no column middle/, assert_raises(KeyError) { table.block(["low"], ["middle"]) }.message)
    assert_match(/high has an empty cell/, assert_raises(KeyError) { table.block(["high"], ["left"]) }.message)
    assert_raises(KeyError) { table.block(["mid"], ["left"]) }
    assert_raises(ArgumentError) { Table.new(%w[left], { "low" => [1.0, 2.0] }) }
  end

  def test_a_table_survives_its_file
    path = File.join(folder, "weights.csv")
    File.write(path, table.to_csv)
    again = Table.read(path)

    assert_equal %w[left right], again.columns
    assert_equal %w[low high], again.rows
    assert_equal [[1.0, -0.25]], again.block(["low"], %w[left right]).to_a
    assert_equal [[0.0]], again.block(["high"], ["right"]).to_a
  end

  def test_the_tables_that_ship_have_every_weight
    assert_kind_of Ethoscope::Harmony::ChordModel, Ethoscope::Harmony::ChordModel.shipped
    assert_kind_of Ethoscope::Harmony::KeyModel, Ethoscope::Harmony::KeyModel.shipped
    assert_kind_of Ethoscope::Rhythm::StrokeModel, Ethoscope::Rhythm::StrokeModel.shipped
    assert_kind_of Ethoscope::Form::BoundaryModel, Ethoscope::Form::BoundaryModel.shipped
  end
end
