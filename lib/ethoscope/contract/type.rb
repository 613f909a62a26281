# frozen_string_literal: true

module Ethoscope
  module Contract
    # The type of a part of an answer. kind is one of :string, :number, :boolean, :unknown, :list (of one type), :tuple (of several), :map (from names to
    # one type), :maybe (that type or null), :object (fields), :extended (another shape with fields besides), :words (one of a list of words), :one_of (one
    # of these words), :either (one of several types) and :shape (another shape, by name).
    Type = Value.of(:kind, :of)
  end
end
