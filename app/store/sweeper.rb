# frozen_string_literal: true

module Store
  # Removes recordings and scores that nothing belongs to any more: rows with their analyses, then files. What another study, a stem or
  # a song without a mix still uses stays.
  class Sweeper < Rows
    # @param db [Sequel::Database]
    # @param recordings [Recordings]
    # @param scores [Scores]
    def initialize(db, recordings, scores)
      super(db)
      @recordings = recordings
      @scores = scores
    end

    # After something was removed. Work on what goes away finds that nobody waits for it.
    def sweep
      db.transaction(mode: :immediate) { orphans.each { |recording| forget(recording) } }.each { |recording| @recordings.remove_files(recording[:sha256]) }
      @scores.sweep(assemblies.filter_map { |row| row[:score_sha256] })
    end

    # After something that would have kept files was taken back: its rows are gone already.
    def sweep_kept
      sweep
      @recordings.sweep_unknown
    end

    # At the start, when nothing else is going on: files that no row knows, as a killed run leaves them.
    def sweep_files
      @recordings.sweep
      sweep
    end

    private

    def orphans
      used = [*db[:references].select_map(:recording_id), *db[:stems].select_map(:recording_id),
              *assemblies.flat_map { |row| parse(row[:stems]).map { |stem| stem[:recording_id] } }].to_set
      db[:recordings].select(:id, :sha256).all.reject { |row| used.include?(row[:id]) }
    end

    def assemblies = db[:assemblies].select(:stems, :score_sha256).all

    def forget(recording)
      db[:analyses].where(recording_id: recording[:id]).delete
      db[:recordings].where(id: recording[:id]).delete
    end
  end
end
