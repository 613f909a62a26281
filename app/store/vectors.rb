# frozen_string_literal: true

require "json"

module Store
  # What is measured of each reference, with what a person says over it: kept, so that no page works it out. A stamp says what it rests on; where that has
  # changed (something was said a moment ago, an older Ethoscope wrote it, or a run was cut off) it is worked out anew by whoever asks first.
  class Vectors < Rows
    # Songs whose vectors are kept ready.
    READY = 512

    # @param db [Sequel::Database]
    def initialize(db)
      super
      @kept = Kept.new(READY)
    end

    # @param references [Array<Hash>]
    # @return [Hash{Integer => String}] by reference what its vector rests on: the measures that there are, what a person said, the newest analysis, and the
    #   sources; nil while no analysis is done
    def stamps(references)
      ids = references.map { |reference| reference[:id] }
      analyses = newest_analyses(references.map { |reference| reference[:recording_id] })
      readings = what_was_said(ids)
      revisions = db[:references].where(id: ids).select_hash(:id, :revision)
      sources = sources_of(ids)
      references.to_h do |reference|
        id = reference[:id]
        analysis = analyses[reference[:recording_id]]
        [id, analysis && JSON.generate([Ethoscope::Measures::Registry.edition, analysis, revisions[id], readings[id], sources[id]])]
      end
    end

    # @param stamps [Hash{Integer => String}] by reference
    # @return [Hash{Integer => Ethoscope::Measures::Vector}] of those that are kept with these very stamps
    def of(stamps)
      ready = stamps.to_h { |id, stamp| [id, @kept.look([id, stamp])] }.compact
      rows = db[:vectors].where(reference_id: stamps.keys - ready.keys).all.select { |row| row[:stamp] == stamps[row[:reference_id]] }
      ready.merge(rows.to_h { |row| [row[:reference_id], @kept.keep([row[:reference_id], row[:stamp]]) { read(row) }] })
    end

    # @param reference_id [Integer]
    # @param stamp [String]
    # @param vector [Ethoscope::Measures::Vector]
    # @return [Ethoscope::Measures::Vector]
    def keep(reference_id, stamp, vector)
      whole, places = [vector.to_h[:whole], packed(vector.to_h[:places])].map { |part| JSON.generate(part) }
      Database.at_leisure { db[:vectors].insert_conflict(:replace).insert(reference_id:, stamp:, whole:, places:) }
      @kept.keep([reference_id, stamp]) { vector }
    end

    private

    # The whole song is read at once; its places, which are ten times as much, when they are asked for.
    def read(row) = Ethoscope::Measures::Vector.new(frozen(row[:whole])) { unpacked(frozen(row[:places])) }

    def frozen(text) = JSON.parse(text, symbolize_names: true, freeze: true)

    # Each place is written once, and rows without the names of their fields: half as much to read for two hundred songs.
    def packed(measures)
      places = measures.values.flatten(1).map { |row| row[:place] }.uniq
      number = places.each_with_index.to_h
      { places:, measures: measures.transform_values { |rows| rows.map { |row| [number[row[:place]], *row.values_at(:value, :source, :confidence)] } } }
    end

    def unpacked(data)
      places = data[:places]
      data[:measures].transform_values { |rows| rows.map { |place, value, source, confidence| { place: places[place], value:, source:, confidence: }.freeze }.freeze }
    end

    def newest_analyses(recordings)
      db[:analyses].where(recording_id: recordings, state: "done").group(:recording_id).select_hash(:recording_id, Sequel.function(:max, :id).as(:newest))
    end

    def what_was_said(ids)
      said = db[:readings].where(reference_id: ids).select_group(:reference_id)
      said.select_append { [max(:id).as(:newest), count(:id).as(:many)] }.as_hash(:reference_id, %i[newest many])
    end

    def sources_of(ids)
      stems = db[:stems].where(reference_id: ids, state: "done").order(:id).select_map(%i[reference_id id name role offset set_offset speed insisted])
      scores = db[:scores].where(reference_id: ids).select_map(%i[reference_id sha256 roles file_bar placed_at])
      (stems + scores).group_by(&:first)
    end
  end
end
