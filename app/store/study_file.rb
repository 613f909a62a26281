# frozen_string_literal: true

require "json"
require "stringio"
require "zip"

module Store
  # A study taken away whole: one archive (ZIP) with its rows as JSON, its recordings and MIDI files, and a note on what it is. Opened again elsewhere it is a study
  # of its own; nothing that is there is overwritten, so that versions stay apart.
  class StudyFile
    VERSION = 1
    ROWS = "study.json"
    NOTE = "READ ME.txt"
    SHA = /\A\h{64}\z/
    # Rows, and all files together, may be so large unpacked.
    MOST_ROWS = 400 * 1024 * 1024
    MOST_FILES = 40 * 1024 * 1024 * 1024
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
      FileUtils.rm_f(partial)
      Zip::File.open(partial, create: true) do |zip|
        zip.get_output_stream(ROWS) { |out| out.write(JSON.generate(version: VERSION, migration: migration, rows:)) }
        zip.get_output_stream(NOTE) { |out| out.write(note(study)) }
        rows[:recordings].each { |recording| zip.add("recordings/#{recording[:sha256]}", @library.recordings.path(recording)) }
        rows[:scores].map { |score| score[:sha256] }.uniq.each { |sha256| zip.add("scores/#{sha256}", @library.scores.path(sha256)) }
      end
      File.rename(partial, path)
    ensure
      FileUtils.rm_f(partial) if partial
    end

    # @param path [String] of an archive
    # @return [Hash] the new study
    # @raise [Ethoscope::Errors::Unfit] when it is no study, damaged, or of a newer Ethoscope
    def open(path)
      Zip::File.open(path) do |zip|
        data = rows(zip)
        check(zip, data)
        @library.remove { put(zip, data) }
      end
    rescue Zip::Error, JSON::ParserError, Zlib::Error, KeyError
      raise Ethoscope::Errors::Unfit, "This is no study that was taken away from Ethoscope, or it is damaged"
    end

    private

    def migration = @library.db[:schema_info].get(:version)

    def note(study)
      <<~TEXT
        “#{study[:title]}”, a study taken away from Ethoscope on #{Time.now.strftime("%-d %B %Y")}.

        Open it again with “Open a study file” on the page of all studies, or with
          bin/ethoscope study open FILE
        study.json holds what was measured and said; recordings/ the sound, under the SHA-256 of its bytes; scores/ MIDI files.
        Recordings may be other people's work: their rights go with them.
      TEXT
    end

    def rows(zip)
      entry = zip.find_entry(ROWS) or raise KeyError
      raise KeyError if entry.size > MOST_ROWS

      data = JSON.parse(entry.get_input_stream.read(MOST_ROWS), symbolize_names: true)
      if data.fetch(:version) > VERSION || data.fetch(:migration) > migration
        raise Ethoscope::Errors::Unfit,
          "This study comes from a newer Ethoscope. Bring this one up to date, then open it"
      end

      data.fetch(:rows)
    end

    # Everything that is needed is there, and is what it says it is, before anything is kept.
    def check(zip, data)
      wanted = data.fetch(:recordings).map { |row| ["recordings", row] } + data.fetch(:scores).map { |row| ["scores", row] }
      entries = wanted.map do |folder, row|
        raise KeyError unless row[:sha256].to_s.match?(SHA)

        zip.find_entry("#{folder}/#{row[:sha256]}") or raise Ethoscope::Errors::Unfit, "The study is not whole: a file of it is missing"
      end
      raise Ethoscope::Errors::Unfit, "The study is too large to be opened" if entries.sum(&:size) > MOST_FILES
    end

    def put(zip, data)
      known = data[:recordings].to_h { |row| [row[:id], received(zip, row)[:id]] }
      data[:scores].each { |row| @library.scores.store(zip.read("scores/#{row[:sha256]}")) }
      analysed = analysed(data, known)
      numbers = StudyRows.new(@library.db).restore(data, { recordings: known, analyses: analysed }) { |table, row| adapt(table, row) }
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

    # The bytes are taken in like any upload: read to their end, hashed, and refused where they are others than the rows say.
    def received(zip, row)
      entry = zip.find_entry("recordings/#{row[:sha256]}")
      incoming = @library.recordings.receive(entry.get_input_stream) { { format: row[:format], duration: row[:duration] } }
      raise Ethoscope::Errors::Unfit, "The study is damaged: a recording is not what it was" unless incoming.sha256 == row[:sha256]

      @library.recordings.take(incoming)
    ensure
      FileUtils.rm_f(incoming.path) if incoming
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
