# frozen_string_literal: true

require_relative "../test_helper"

# What of a checklist fits into the time that one has.
class SessionTest < Ethoscope::TestCase
  def session(minutes, *boxes)
    items = boxes.each_with_index.map { |(box, state), id| { id:, minutes: box, state: state || "open" } }
    Ethoscope::Checklist::Session.new(items, minutes)
  end

  def test_items_are_taken_in_order_as_far_as_they_fit
    assert_equal [0, 1], session(30, 10, 15, 20).to_h[:items]
    assert_equal [0, 2], session(30, 10, 25, 20).to_h[:items]
    assert_empty session(4, 5, 10).items
  end

  def test_what_is_settled_takes_no_time
    assert_equal [1, 3], session(20, [10, "done"], 10, [10, "skipped"], 10).to_h[:items]
  end

  def test_ears_rest_between_two_stretches
    assert_equal({ minutes: 90, work: 75, rest: 8, items: [0, 1, 2] }, session(90, 25, 25, 25, 25).to_h)
    assert_equal({ work: 50, rest: 0 }, session(50, 25, 25).to_h.slice(:work, :rest))
    assert_equal [0], session(54, 40, 15).to_h[:items]
  end
end
