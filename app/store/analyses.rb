# frozen_string_literal: true

module Store
  # Analyses: runs of the engine, queued, running, done or failed. Those with corrections are derived from what a plain run measured,
  # with what a person put right.
  class Analyses < Rows
    TABLE = :analyses
    WORK = "The analysis"
    # Derivations of one recording that are kept, so that undo and redo find them.
    KEPT = 24
    # Analyses that are kept ready, as a study of some size needs them.
    READY = 24
    LIGHT = %i[id recording_id state stage progress error engine_version created_at finished_at].freeze

    include Runs

    # @param recording_id [Integer]
    # @return [Hash, nil] the newest run, without its data
    def latest(recording_id) = db[:analyses].where(recording_id:, terms: nil).order(Sequel.desc(:id)).select(*LIGHT).first

    # @param recording_ids [Array<Integer>]
    # @return [Hash{Integer => Hash}] the newest run of each recording, without data
    def latest_of(recording_ids)
      newest = db[:analyses].where(recording_id: recording_ids, terms: nil).group(:recording_id).select { max(:id) }
      db[:analyses].where(id: newest).select(*LIGHT).as_hash(:recording_id)
    end

    # @param db [Sequel::Database]
    def initialize(db)
      super
      @kept = Kept.new(READY)
    end

    # @param id [Integer] a run that is done
    # @return [Ethoscope::Analysis]
    # @raise [Missing]
    def find(id)
      @kept.keep(id) { Ethoscope::Analysis.from_h(parse(existing(db[:analyses].where(id:, state: "done").get(:data), "analysis"))) }
    end

    # @param recording_id [Integer]
    # @return [Integer, nil] the newest run that is done
    def finished_id(recording_id) = db[:analyses].where(recording_id:, state: "done", terms: nil).max(:id)

    # @param recording_id [Integer]
    # @return [Array(Integer, Ethoscope::Analysis), nil] id and data of the newest run that is done
    def finished(recording_id) = finished_id(recording_id)&.then { |id| [id, find(id)] }

    # @param recording_id [Integer]
    # @param terms [Terms]
    # @return [Hash, nil] the run that derives on these terms from the newest plain run, without data
    def derivation(recording_id, terms) = derivations(recording_id).where(terms: terms.key).select(*LIGHT).first

    # @param recording_id [Integer]
    # @param terms [Terms]
    # @return [Integer, nil] the run that derived on them, nil while it is not done
    def derived_id(recording_id, terms) = derivations(recording_id).where(terms: terms.key, state: "done").get(:id)

    # @param recording_ids [Array<Integer>]
    # @return [Hash{Integer => Hash}] the newest derivation of each recording, without data
    def newest_derivations(recording_ids)
      newest = db[:analyses].where(recording_id: recording_ids).exclude(terms: nil).group(:recording_id).select { max(:id) }
      db[:analyses].where(id: newest).select(*LIGHT).as_hash(:recording_id)
    end

    # Queues a derivation unless there is one, done or not; one that failed is tried again.
    #
    # @param recording_id [Integer]
    # @param terms [Terms]
    # @return [Hash] the run
    def derive(recording_id, terms)
      db.transaction(mode: :immediate) do
        known = derivation(recording_id, terms)
        next known if known && known[:state] != "failed"
        next again(known[:id]) && derivation(recording_id, terms) if known

        # Nobody waits for what was asked for before and is not begun.
        db[:analyses].where(recording_id:, state: "queued").exclude(terms: nil).delete
        db[:analyses].insert(recording_id:, state: "queued", terms: terms.key, corrections: JSON.generate(terms.corrections), sources: JSON.generate(terms.sources),
          created_at: now)
        derivation(recording_id, terms)
      end
    end

    # Queues a run unless one is waiting or running.
    #
    # @param recording_id [Integer]
    # @return [Hash] the run that will come
    def queue(recording_id)
      db.transaction(mode: :immediate) do
        waiting = db[:analyses].where(recording_id:, state: %w[queued running], terms: nil).select(*LIGHT).first
        waiting || (db[:analyses].insert(recording_id:, state: "queued", created_at: now) && latest(recording_id))
      end
    end

    # Stores the result and the readings that follow from it, all or nothing.
    #
    # @param id [Integer]
    # @param json [String] the analysis schema
    # @param vector [String, nil] what is measured of it, as JSON; read off it where it is not said
    def finish(id, json, vector = nil)
      analysis = Ethoscope::Analysis.from_h(JSON.parse(json))
      vector ||= JSON.generate(Ethoscope::Measures::Vector.of(analysis).to_h)
      db.transaction(mode: :immediate) do
        row = db[:analyses][id:] or next
        db[:analyses].where(id:).update(state: "done", progress: 1.0, stage: nil, data: json, vector:, finished_at: now,
          engine_version: analysis.fetch(:engine_version))
        next prune(row[:recording_id]) if row[:terms]

        db[:references].where(recording_id: row[:recording_id]).each do |reference|
          Readings.new(db).measure(reference[:id], id, analysis)
        end
      end
    end

    # @param id [Integer]
    # @param reason [String] one clear sentence
    def fail(id, reason)
      super
      rows.where(id:).update(finished_at: now)
    end

    # @param id [Integer] a run that is done
    # @return [Ethoscope::Measures::Vector, nil] what was measured of it; nil where an older Ethoscope measured it
    def vector(id)
      data = db[:analyses].where(id:, state: "done").get(:vector)&.then { |text| JSON.parse(text, symbolize_names: true, freeze: true) }
      data && data[:edition] == Ethoscope::Measures::Registry.edition ? Ethoscope::Measures::Vector.from_h(data) : nil
    end

    private

    # Derivations first, for somebody waits for them.
    def waiting = db[:analyses].where(state: "queued").order(Sequel.expr(terms: nil), :id)

    def derivations(recording_id)
      base = db[:analyses].where(recording_id:, terms: nil, state: "done").max(:id) || 0
      db[:analyses].where(recording_id:).exclude(terms: nil).where { id > base }.order(Sequel.desc(:id))
    end

    def prune(recording_id)
      old = db[:analyses].where(recording_id:, state: "done").exclude(terms: nil).order(Sequel.desc(:id)).select_map(:id).drop(KEPT)
      db[:analyses].where(id: old).delete
    end
  end
end
