# frozen_string_literal: true

module Bench
  # All that an analysis says of a song as the targets that the corpus' scorer of rebuilding reads: what a checklist that leaves nothing out could hold.
  class PlainPlan
    # Activity from which a role plays in a bar.
    PLAYING = 0.5
    # Roles of which it is said whether they play.
    ROLES = %w[kick snare hats bass lead vocal].freeze

    # @param data [Hash] an analysis as JSON has it, keys strings
    def initialize(data)
      @data = data
    end

    # @return [Hash] one item with all targets
    def to_h = { items: [{ targets: whole + @data["sections"].flat_map { |section| of_section(section) } + techniques }] }

    private

    def whole
      tempo, key, groove = @data.values_at("tempo", "key", "groove")
      [{ measure: "tempo", value: { bpm: tempo["bpm"] } }, { measure: "meter", value: @data["meter"] },
       key && { measure: "key", value: key.slice("tonic", "mode") },
       { measure: "swing", value: { unit: groove["swing_unit"], ratio: groove["swing_ratio"] } }].compact
    end

    def of_section(section)
      place = { first_bar: section["first_bar"], bars: section["bars"] }
      [{ measure: "section", value: { label: section["label"] } }, chords(section), bass(section), lead(section), *plays(section), *steps(section)].compact.map do |target|
        target.merge(place)
      end
    end

    def beats_per_bar
      @beats_per_bar ||= @data["downbeats"].size > 1 ? @data["beats"].count { |beat| beat >= @data["downbeats"][0] - 1e-4 && beat < @data["downbeats"][1] - 1e-4 } : 4
    end

    # What of a run of bars and beats falls into a section, placed from its start.
    def within(section, list)
      first, after = [section["first_bar"], section["first_bar"] + section["bars"]].map { |bar| (bar - 1) * beats_per_bar }
      list.filter_map do |one|
        from = ((one["bar"] - 1) * beats_per_bar) + one["beat"] - 1
        next if from + one["beats"] <= first || from >= after

        at = [from, first].max
        [one, (at - first).divmod(beats_per_bar).then { |bar, beat| { bar: bar + 1, beat: beat + 1, beats: [from + one["beats"], after].min - at } }]
      end
    end

    def chords(section)
      { measure: "chords", value: within(section, @data["chords"]).map { |chord, place| place.slice(:bar, :beat).merge(label: chord["label"]) } }
    end

    def bass(section)
      notes = within(section, @data["bass"]["notes"]).map { |note, place| place.merge(pitch: note["pitch"]) }
      notes.empty? ? nil : { measure: "notes", role: "bass", value: notes }
    end

    def lead(section)
      found = @data["leads"].find { |lead| lead["first_bar"] == section["first_bar"] } or return nil
      { measure: "notes", role: "lead", value: [{ bar: 1, beat: 1, beats: beats_per_bar, pitch: found["middle"] }] }
    end

    def plays(section)
      bars = (section["first_bar"] - 1)...(section["first_bar"] - 1 + section["bars"])
      ROLES.filter_map do |role|
        told = @data["layers"].select { |layer| layer["role"] == role }
        next if told.empty?

        playing = bars.count { |bar| told.any? { |layer| (layer["activity"][bar] || 0) >= PLAYING } }
        { measure: "plays", role:, value: playing * 2 >= section["bars"] ? "full" : "absent" }
      end
    end

    def steps(section)
      pattern = @data["drums"].find { |one| one["first_bar"] == section["first_bar"] } or return []
      pattern["rows"].map do |row|
        hits = row["hits"].map { |hit| hit.positive? ? 1 : 0 }
        { measure: "steps", role: row["piece"], value: { steps: pattern["steps"], bars: hits.size / pattern["steps"], hits: } }
      end
    end

    def techniques
      @data["techniques"].map do |sighting|
        { measure: "technique", first_bar: sighting["first_bar"], bars: sighting["last_bar"] - sighting["first_bar"] + 1, value: { kind: sighting["kind"] } }
      end
    end
  end
end
