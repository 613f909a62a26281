# frozen_string_literal: true

require "json"
require "digest"
require "zip"

module Store
  # A study exported whole: one archive (ZIP) with its rows as JSON, its recordings and MIDI files, and a note on what it is. Opened again elsewhere it is a study
  # of its own; nothing that is there is overwritten, so that versions stay apart.
  class StudyFile
    VERSION = 1
    NOTE = "READ ME.txt"
    # Work that was under way is asked for again where the file is opened.
    RUNNING = %w[queued running].freeze

    # @param library [Library]
    def initialize(library)
      @library = library
    end

    # @param study [Hash]
    # @param path [String] where the archive goes; a file that is there is replaced when it is complete
    def save(study, path)
      rows = StudyRows.new(@library.db).of_study(study[:id])
      partial = "#{path}.part"
      raise Errno::ENOENT, File.dirname(path) unless File.directory?(File.dirname(path))

      FileUtils.rm_f(partial)
      Zip::File.open(partial, create: true) do |zip|
        zip.get_output_stream(StudyArchive::ROWS) { |out| out.write(JSON.generate(version: VERSION, migration: migration, rows:)) }
        zip.get_output_stream(NOTE) { |out| out.write(note(study)) }
        rows[:recordings].each { |recording| zip.add("recordings/#{recording[:sha256]}", @library.recordings.path(recording)) }
        rows[:scores].map { |score| score[:sha256] }.uniq.each { |sha256| zip.add("scores/#{sha256}", @library.scores.path(sha256)) }
      end
      File.chmod(Backup::PRIVATE, partial)
      File.rename(partial, path)
    ensure
      FileUtils.rm_f(partial) if partial
    end

    # Everything is read, unpacked and checked first, while others go on working; then all of it is kept in one transaction, or nothing.
    #
    # @param path [String] of an archive
    # @return [Hash] the new study
    # @raise [Ethoscope::Errors::Unfit] when it is no study, damaged, holds what can't be shown, or is of a newer Ethoscope
    # @raise [DiskFull]
    def open(path)
      StudyArchive.open(path) do |archive|
        rows = StudyCheck.checked(known(archive.data))
        unpacked(archive, rows) { |received, scores| @library.whole { put(rows, received, scores) } }
      end
    end

    private

    def migration = @library.db[:schema_info].get(:version)

    def note(study)
      <<~TEXT
        “#{study[:title]}”, a study exported from Ethoscope on #{Time.now.strftime("%-d %B %Y")}.

        Open it again with “Open a study file” on the page of all studies, or with
          bin/ethoscope study open FILE
        study.json holds what was measured and said; recordings/ the sound, under the SHA-256 of its bytes; scores/ MIDI files.
        Recordings may be other people's work: their rights go with them.
      TEXT
    end

    def known(data)
      raise KeyError unless data.values_at(:version, :migration).all?(Integer)

      newer = data[:version] > VERSION || data[:migration] > migration
      raise Ethoscope::Errors::Unfit, "This study comes from a newer Ethoscope. Bring this one up to date, then open it" if newer

      data.fetch(:rows)
    end

    # Recordings are taken in like any upload: read to their end, hashed, decoded; MIDI files are read. What was unpacked is gone afterwards, whatever happens.
    def unpacked(archive, rows)
      archive.check(rows[:recordings].map { |row| row[:sha256] }.uniq, rows[:scores].map { |row| row[:sha256] }.uniq)
      received = {}
      rows[:recordings].each { |row| received[row[:id]] = received(archive, row[:sha256]) }
      yield received, rows[:scores].to_h { |row| [row[:id], score(archive, row[:sha256])] }
    ensure
      received&.each_value { |file| FileUtils.rm_f(file.path) }
    end

    def received(archive, sha256)
      file = @library.recordings.receive(archive.recording(sha256)) { |path| Ethoscope::Audio::Decoder.new(path).check }
      return file if file.sha256 == sha256

      FileUtils.rm_f(file.path)
      damaged("a recording is not what it was")
    rescue Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio
      damaged("a recording of it can't be played")
    end

    def score(archive, sha256)
      bytes = archive.score(sha256)
      damaged("a MIDI file is not what it was") unless Digest::SHA256.hexdigest(bytes) == sha256
      Scores.facts(bytes)
      bytes
    rescue Ethoscope::Errors::UnreadableScore
      damaged("a MIDI file of it can't be read")
    end

    def damaged(what) = raise(Ethoscope::Errors::Unfit, "The study is damaged: #{what}. Nothing of it was kept")

    def put(rows, received, scores)
      known = received.transform_values { |file| @library.recordings.take(file)[:id] }
      scores.each_value { |bytes| @library.scores.store(bytes) }
      rows[:scores].each { |row| row.merge!(Scores.facts(scores[row[:id]])) }
      analysed = analysed(rows, known)
      numbers = StudyRows.new(@library.db).restore(rows, { recordings: known, analyses: analysed }) { |table, row| adapt(table, row) }
      study = @library.studies.find(numbers[:studies].values.first)
      @library.references.all_of_study(study[:id]).each { |reference| wake(reference) }
      study
    end

    # What was analysed here before is used as it is.
    def analysed(data, known)
      data.fetch(:analyses).filter_map do |row|
        here = @library.analyses.finished_id(known[row[:recording_id]])
        [row[:id], here] if here
      end.to_h
    end

    def adapt(table, row)
      row[:title] = free_title(row[:title]) if table == :studies
      row[:deleted_at] = nil if table == :studies
      row.merge!(state: "queued", progress: 0.0, stage: nil) if row.key?(:state) && RUNNING.include?(row[:state])
    end

    def free_title(title)
      taken = @library.studies.all.map { |study| study[:title] }
      [title, *(2..(taken.size + 1)).map { |number| "#{title} (#{number})" }].find { |name| !taken.include?(name) }
    end

    # What has no analysis yet is analysed, what was put right worked in.
    def wake(reference)
      @library.analyses.queue(reference[:recording_id]) unless @library.analyses.finished_id(reference[:recording_id])
      @library.follow(reference)
    end
  end
end
