# frozen_string_literal: true

require "fileutils"
require "monitor"

module Store
  # Takes files in for studies, references and songs without a mix, and lets go what nothing belongs to any more.
  class Intake
    # Folders beside the data that hold what is on its way in or out, and stay behind when that is killed.
    LEFT = %w[received handed].freeze

    # @param name [String] what a file was called
    # @return [Boolean] whether it is a MIDI file by that
    def self.midi?(name) = name.match?(/\.midi?\z/i)

    # @param library [Library]
    def initialize(library)
      @library = library
      @sweeper = Sweeper.new(library.db, library.recordings, library.scores)
      # While somebody takes a file in, nobody sweeps it away.
      @ownership = Monitor.new
    end

    # Removes something, and then what nothing belongs to any more: rows, files, and work in progress on them.
    #
    #   library.remove { library.studies.delete(id) }
    #
    # @yieldreturn [Object] handed back
    # @return [Object]
    def remove
      @ownership.synchronize { yield.tap { @sweeper.sweep } }
    end

    # Keeps what belongs together, all of it or nothing: rows, and the files that they name.
    #
    # @yieldreturn [Object] handed back
    # @return [Object]
    def whole(&)
      @ownership.synchronize do
        @library.db.transaction(mode: :immediate, &)
      rescue StandardError
        @sweeper.sweep_kept
        raise
      end
    end

    # Removes what a killed run left; at the start, when nothing else is going on.
    def sweep
      FileUtils.rm_rf(LEFT.flat_map { |name| Dir.glob(File.join(@library.home, "#{name}*")) })
      @sweeper.sweep_files
      Database.tidy(@library.db)
    end

    # Takes a recording into a study: its bytes are kept, and its analysis is used when there is one or queued when not.
    #
    # @param study_id [Integer]
    # @param stream [IO]
    # @param name [String] what the file was called, kept as data only
    # @return [Hash] the new reference
    # @raise [Missing, Duplicate, DiskFull, Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio]
    def import(study_id, stream, name)
      @library.studies.find(study_id)
      owned(stream) { |recording, facts| add(study_id, recording, facts[:tags], name) }
    end

    # Takes a bounce of the user's own track into a study, as its next attempt.
    #
    # @param study_id [Integer]
    # @param stream [IO]
    # @param name [String] what the file was called
    # @param against_id [Integer, nil] the reference that it is an attempt at
    # @param checklist [Hash, nil] with its items
    # @param note [String]
    # @return [Hash] the attempt
    # @raise [Missing, Duplicate, DiskFull, Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio]
    def import_attempt(study_id, stream, name, against_id:, checklist:, note: "")
      @library.studies.find(study_id)
      raise Ethoscope::Errors::UnreadableAudio, "A MIDI file has no sound to be aligned with the reference. Bounce it, and drop that." if self.class.midi?(name)

      owned(stream) do |recording, _|
        @library.db.transaction(mode: :immediate) do
          song = add(study_id, recording, Ethoscope::Audio::Tags.new(title: nil, artist: nil), name, attempt: true)
          @library.attempts.create(song, against_id:, checklist:, note:)
        end
      end
    end

    # Takes a stem of a reference: its bytes are kept, and it is queued to be measured.
    #
    # @param reference [Hash]
    # @param stream [IO]
    # @param name [String] what the file was called; its role is guessed from it
    # @return [Hash] the stem
    # @raise [Duplicate, DiskFull, Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio]
    def import_stem(reference, stream, name)
      title = title_from(name)
      owned(stream) do |recording, _|
        raise Duplicate, "This is the mix itself, and no stem of it." if recording[:id] == reference[:recording_id]

        @library.stems.create(reference[:id], recording, title, role_of(title))
      end
    end

    # Takes a file of a song that comes without a mix.
    #
    # @param assembly [Hash]
    # @param stream [IO]
    # @param name [String] what the file was called; a MIDI file is told by that
    # @return [Hash] the assembly
    # @raise [Duplicate, DiskFull, Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio, Ethoscope::Errors::UnreadableScore]
    def add_to_assembly(assembly, stream, name)
      if self.class.midi?(name)
        bytes = stream.read.to_s
        return @ownership.synchronize { @library.assemblies.add_score(assembly[:id], @library.scores.store(bytes), name) }
      end

      owned(stream) { |recording, _| @library.assemblies.add_stem(assembly[:id], recording, title_from(name)) }
    end

    # Keeps a MIDI file of a reference in the place of the one that was there.
    #
    # @param reference [Hash]
    # @param bytes [String]
    # @param name [String]
    # @return [Hash]
    # @raise [Ethoscope::Errors::UnreadableScore, DiskFull]
    def import_score(reference, bytes, name) = remove { @library.scores.keep(reference[:id], bytes, name) }

    # Makes a reference or an attempt of an assembly, with the mix that was made of it; the assembly is gone then.
    #
    # @param assembly [Hash]
    # @param mix [IO]
    # @return [Hash] the new reference
    # @raise [Duplicate, DiskFull]
    def assemble(assembly, mix)
      owned(mix) do |recording, _|
        @library.db.transaction(mode: :immediate) do
          reference = add(assembly[:study_id], recording, Ethoscope::Audio::Tags.new(title: assembly[:title], artist: nil), assembly[:title], attempt: !assembly[:attempt].nil?)
          assembly[:stems].each { |stem| @library.stems.create(reference[:id], @library.recordings.find(stem[:recording_id]), stem[:name], role_of(stem[:name])) }
          @library.scores.keep(reference[:id], File.binread(@library.scores.path(assembly[:score_sha256])), assembly[:score_name]) if assembly[:score_sha256]
          attempt_of(reference, assembly[:attempt]) if assembly[:attempt]
          @library.assemblies.delete(assembly[:id])
          reference
        end
      end
    end

    private

    # Takes a file in for whoever will own it; when that comes to nothing, the file goes too.
    def owned(stream)
      received = @library.recordings.receive(stream) { |path| Ethoscope::Audio::Decoder.new(path).check }
      @ownership.synchronize do
        yield @library.recordings.take(received), received.facts
      rescue StandardError
        @sweeper.sweep
        raise
      end
    ensure
      FileUtils.rm_f(received.path) if received
    end

    def add(study_id, recording, tags, name, attempt: false)
      @library.db.transaction(mode: :immediate) do
        reference = @library.references.create(study_id:, recording:, title: tags.title || title_from(name), artist: tags.artist,
          original_name: name, attempt:)
        id, analysis = @library.analyses.finished(recording[:id])
        analysis ? @library.readings.measure(reference[:id], id, analysis) : @library.analyses.queue(recording[:id])
        reference
      end
    end

    # What it was held against may be gone since.
    def attempt_of(song, wanted)
      list = @library.checklists.of_study(song[:study_id]).find { |row| row[:id] == wanted[:checklist_id] }
      against = @library.references.of_study(song[:study_id]).find { |row| row[:id] == wanted[:against_id] }
      @library.attempts.create(song, against_id: against&.fetch(:id), checklist: list && @library.checklists.find(list[:id]))
    end

    def role_of(name) = Ethoscope::Layers::Role.named(name) || Ethoscope::Layers::Role::UNKNOWN

    def title_from(name)
      base = Ethoscope::Plain.name(File.basename(name.tr("\\", "/"), ".*").tr("_", " "))
      base.empty? ? "Untitled" : base[0, 120]
    end
  end
end
