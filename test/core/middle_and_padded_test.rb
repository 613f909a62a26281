# frozen_string_literal: true

require_relative "../test_helper"

# What signals share: the middle of a few figures, and transforms that do not run round the end.
class MiddleAndPaddedTest < Ethoscope::TestCase
  def test_the_middle_is_the_upper_one_of_two
    assert_equal([3, 2, nil], [[1, 9, 3], [1, 2], []].map { |figures| Signal::Middle.of(figures) })
    assert_in_delta 1.5, Signal::Middle.median([2, 1])
    assert_in_delta 3.0, Signal::Middle.median([9, 3, 1])
  end

  def test_sizes_are_powers_of_two
    assert_equal([1, 2, 4, 1024], [1, 2, 3, 1000].map { |length| Signal::Padded.size(length) })
  end

  def test_a_correlation_by_padded_transforms_is_the_sum_of_products
    one = Numo::DFloat[1, 2, 3]
    other = Numo::DFloat[0, 1, 2, 3]
    size = Signal::Padded.size(one.size + other.size)
    shared = Signal::Padded.series(Signal::Padded.spectrum(other, size) * Signal::Padded.spectrum(one, size).conj)

    assert_in_delta 14.0, shared[1], 1e-9
    assert_in_delta 8.0, shared[0], 1e-9
    assert_in_delta 0.0, shared[4], 1e-9
  end
end
