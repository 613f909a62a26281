# frozen_string_literal: true

require_relative "../test_helper"

class TwoMeansTest < Ethoscope::TestCase
  TwoMeans = Ethoscope::Signal::TwoMeans

  def test_two_heaps_are_found_whatever_the_order_of_the_rows
    rows = [[0.0, 1.0], [5.0, 5.1], [0.1, 0.9], [5.2, 5.0], [0.0, 1.1]]

    assert_equal [[0, 2, 4], [1, 3]], TwoMeans.new(rows).groups
  end

  def test_many_rows_set_out_from_the_two_that_lie_farthest_out
    near, far = [0.0, 9.0].map { |place| Array.new(20) { |i| [place + (i * 0.01), i.odd? ? 0.1 : -0.1] } }

    assert_equal [[*0...20], [*20...40]], TwoMeans.new(near + far).groups
  end

  def test_a_single_row_is_no_group
    assert_nil TwoMeans.new([[0.0], [0.1], [0.05], [9.0]]).groups
  end
end
