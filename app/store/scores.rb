# frozen_string_literal: true

require "digest"
require "fileutils"

module Store
  # MIDI files of references, one each, kept under the SHA-256 of their bytes.
  class Scores < Rows
    # @param db [Sequel::Database]
    # @param home [String] the data directory
    def initialize(db, home)
      super(db)
      @folder = File.join(home, "scores")
      FileUtils.mkdir_p(@folder)
    end

    # @param bytes [String]
    # @return [Hash] parts and warnings, as the table has them
    # @raise [Ethoscope::Errors::UnreadableScore]
    def self.facts(bytes)
      score = Ethoscope::Midi::ScoreReader.read(bytes)
      parts = Ethoscope::Midi::Parts.of(score).map { |part| { name: part.name, role: part.role, notes: part.notes.size, program: part.program } }
      { parts: JSON.generate(parts), warnings: JSON.generate(score.warnings) }
    end

    # @param reference_id [Integer]
    # @return [Hash, nil]
    def of_reference(reference_id) = db[:scores][reference_id:]&.then { |row| plain(row) }

    # Keeps a file in the place of the one that was there. It is read before anything is stored.
    #
    # @param reference_id [Integer]
    # @param bytes [String]
    # @param name [String]
    # @return [Hash]
    # @raise [Ethoscope::Errors::UnreadableScore, DiskFull]
    def keep(reference_id, bytes, name)
      facts = Scores.facts(bytes)
      sha256 = store(bytes)
      db.transaction(mode: :immediate) do
        db[:scores].where(reference_id:).delete
        db[:scores].insert(reference_id:, sha256:, name:, **facts, created_at: now)
        of_reference(reference_id)
      end
    end

    # Keeps the bytes of a file that can be read.
    #
    # @param bytes [String]
    # @return [String] their SHA-256
    # @raise [Ethoscope::Errors::UnreadableScore, DiskFull]
    def store(bytes)
      Ethoscope::Midi::ScoreReader.read(bytes)
      Digest::SHA256.hexdigest(bytes).tap { |sha256| write(bytes, sha256) }
    end

    # @param reference_id [Integer]
    # @param roles [Hash{String => String}] what a person says of parts, by name
    # @return [Hash]
    # @raise [Missing]
    def update(reference_id, roles)
      row = existing(of_reference(reference_id), "MIDI file")
      db[:scores].where(reference_id:).update(roles: JSON.generate(row[:roles].merge(roles.transform_keys(&:to_sym))))
      of_reference(reference_id)
    end

    # @param reference_id [Integer]
    # @param place [Hash, nil] file_bar (from 1) and at (seconds of the recording); nil for where it is found
    # @return [Hash]
    # @raise [Missing]
    def lay(reference_id, place)
      existing(of_reference(reference_id), "MIDI file")
      db[:scores].where(reference_id:).update(file_bar: place&.fetch(:file_bar), placed_at: place&.fetch(:at))
      of_reference(reference_id)
    end

    # @param reference_id [Integer]
    # @raise [Missing]
    def delete(reference_id)
      existing(of_reference(reference_id), "MIDI file")
      db[:scores].where(reference_id:).delete
    end

    # Removes files that no reference and none of the others needs, and what a killed run left.
    #
    # @param others [Array<String>] SHA-256 of files that are needed besides
    def sweep(others)
      needed = (db[:scores].select_map(:sha256) + others).to_set { |sha256| "#{sha256}.mid" }
      FileUtils.rm_f((Dir.children(@folder) - needed.to_a).map { |name| File.join(@folder, name) })
    end

    # @param sha256 [String]
    # @return [String] where that file lies
    def path(sha256) = File.join(@folder, "#{sha256}.mid")

    private

    # Written beside its place and renamed.
    def write(bytes, sha256)
      return if File.exist?(path(sha256))

      partial = "#{path(sha256)}.#{Process.pid}.part"
      File.open(partial, "wb") do |file|
        file.write(bytes)
        file.fsync
      end
      File.rename(partial, path(sha256))
    rescue Errno::ENOSPC, Errno::EDQUOT
      FileUtils.rm_f(partial)
      raise DiskFull, "The disk is full; nothing was stored. Make room and drop the file again."
    end

    def plain(row)
      place = row[:placed_at] && { file_bar: row[:file_bar], at: row[:placed_at] }
      row.except(:file_bar, :placed_at).merge(parts: parse(row[:parts]), warnings: parse(row[:warnings]), roles: parse(row[:roles]), place:)
    end
  end
end
