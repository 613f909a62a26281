# frozen_string_literal: true

require_relative "../test_helper"

class ValueTest < Ethoscope::TestCase
  Pair = Ethoscope::Value.of(:first, :second) do
    def sum = first + second
  end

  def test_values_are_frozen_and_equal_by_content
    pair = Pair.new(first: 1, second: 2)

    assert_predicate pair, :frozen?
    assert_equal Pair.new(first: 1, second: 2), pair
    assert_equal 3, pair.sum
  end

  def test_every_attribute_is_demanded
    error = assert_raises(ArgumentError) { Pair.new(first: 1) }

    assert_equal "missing: second", error.message
    assert_raises(ArgumentError) { Pair.new(first: 1, second: 2, third: 3) }
  end

  def test_plain_data_come_back_with_symbol_keys
    data = Ethoscope::Plain.frozen({ pair: Pair.new(first: 1, second: [2]) })

    assert_equal({ pair: { first: 1, second: [2] } }, data)
    assert_predicate data[:pair][:second], :frozen?
    assert_equal data, Ethoscope::Plain.symbolized(JSON.parse(JSON.generate(data)))
  end
end
