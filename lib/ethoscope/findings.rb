# frozen_string_literal: true

module Ethoscope
  # What all stages of an analysis found, before it is laid out in the schema.
  Findings = Value.of(
    :features, :rhythm, :grid, :recognizer, :spans, :keys, :key, :key_confidence, :key_stretches, :pentatonic, :loop, :loops,
    :outside, :cadences, :bass, :sections, :novelty, :energy, :width, :side, :loudness, :balance, :layers, :leads, :patterns, :timings, :changes, :sightings,
    :stems, :score, :voicings, :told_by, :gaps
  )
end
