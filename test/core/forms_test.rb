# frozen_string_literal: true

require_relative "../test_helper"

# What is wrong with what was sent, said of the field by its path, with what would be right.
class FormsTest < Ethoscope::TestCase
  FORM = Forms.schema do
    required(:title).filled(:string, max_size?: 5)
    optional(:bpm).maybe(:float, included_in?: 20..400)
    optional(:bars).filled(:integer, gteq?: 1)
    optional(:live).filled(:bool)
    optional(:kind).filled(:string, included_in?: %w[a b])
    optional(:rows).value(:array, max_size?: 12).each(:hash) do
      required(:sure).filled(:float, included_in?: 0..1)
      optional(:names).value(:array).each(:string, format?: /\A[a-z]+\z/)
    end
  end

  SENTENCES = {
    {} => ["Title is missing.", "title"],
    { title: "" } => ["Title must not be empty.", "title"],
    { title: "too long" } => ["Title is too long; 5 are the most.", "title"],
    { title: ["a"] } => ["Title must be text.", "title"],
    { title: "a", bpm: "fast" } => ["BPM must be a number, such as 84.5.", "bpm"],
    { title: "a", bpm: 500 } => ["BPM must be between 20 and 400.", "bpm"],
    { title: "a", bars: "many" } => ["Bars must be a whole number, such as 16.", "bars"],
    { title: "a", bars: 0 } => ["Bars must be 1 or more.", "bars"],
    { title: "a", live: "perhaps" } => ["Live must be true or false.", "live"],
    { title: "a", kind: "c" } => ["Kind must be one of: a, b.", "kind"],
    { title: "a", rows: "x" } => ["Rows must be a list.", "rows"],
    { title: "a", rows: [3] } => ["Rows: first must be an object with fields.", "rows.0"],
    { title: "a", rows: [{ sure: 0.5 }, { sure: 2 }] } => ["Rows, second: how sure must be between 0 and 1.", "rows.1.sure"],
    { title: "a", rows: [{ sure: 0.5, names: %w[x y Z] }] } => ["Rows, first, names: third can't be read.", "rows.0.names.2"],
    { title: "a", rows: Array.new(12) { |i| { sure: i < 11 ? 1 : nil } } } => ["Rows, number 12: how sure must not be empty.", "rows.11.sure"]
  }.freeze

  def complaint(data) = Forms::Complaint.new(FORM.call(data).errors)

  def test_every_kind_of_fault_has_its_sentence_and_its_path
    SENTENCES.each { |data, (sentence, field)| assert_equal [sentence, field], [complaint(data).sentence, complaint(data).field] }
  end

  def test_what_fits_comes_back_as_numbers_and_nothing_else
    assert_equal({ title: "a", bpm: 90.5, bars: 3, live: true }, FORM.call("title" => "a", "bpm" => "90.5", "bars" => "3", "live" => "true", "more" => 1).to_h)
  end

  def test_a_form_can_add_to_another
    longer = Forms.schema(parent: FORM) { required(:aim).filled(:string) }

    assert_equal "Aim is missing.", Forms::Complaint.new(longer.call(title: "a").errors).sentence
    assert_equal "Title is missing.", Forms::Complaint.new(longer.call(aim: "x").errors).sentence
  end
end
