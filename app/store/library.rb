# frozen_string_literal: true

require "fileutils"
require "monitor"

module Store
  # All tables of one data directory.
  class Library
    # Sheets that are kept ready.
    SHEETS = 24

    # @return [String] the data directory
    attr_reader :home
    # @return [Sequel::Database]
    attr_reader :db
    attr_reader :studies, :recordings, :references, :analyses, :readings, :checklists, :journal, :separations, :stems, :scores, :entries, :assemblies

    # @param name [String] what a file was called
    # @return [Boolean] whether it is a MIDI file by that
    def self.midi?(name) = name.match?(/\.midi?\z/i)

    # @param home [String] the data directory; made when missing
    def initialize(home)
      @home = home
      @db = Database.open(home)
      @studies = Studies.new(@db)
      @recordings = Recordings.new(@db, home)
      @references = References.new(@db)
      @analyses = Analyses.new(@db)
      @readings = Readings.new(@db)
      @checklists = Checklists.new(@db)
      @journal = Journal.new(@db)
      @separations = Separations.new(@db)
      @stems = Stems.new(@db)
      @scores = Scores.new(@db, home)
      @entries = Entries.new(@db)
      @assemblies = Assemblies.new(@db)
      @sweeper = Sweeper.new(@db, @recordings, @scores)
      # While somebody takes a file in, nobody sweeps it away.
      @ownership = Monitor.new
      @sheets = Kept.new(SHEETS)
      @timelines = Kept.new(SHEETS)
      freeze
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

    # Removes what a killed run left; at the start, when nothing else is going on.
    def sweep = @sweeper.sweep_files

    # Takes a recording into a study: its bytes are kept, and its analysis is used when there is one or queued when not.
    #
    # @param study_id [Integer]
    # @param stream [IO]
    # @param name [String] what the file was called, kept as data only
    # @return [Hash] the new reference
    # @raise [Missing, Duplicate, DiskFull, Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio]
    def import(study_id, stream, name)
      studies.find(study_id)
      owned(stream) { |recording, facts| add(study_id, recording, facts[:tags], name) }
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

        stems.create(reference[:id], recording, title, role_of(title))
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
        return @ownership.synchronize { assemblies.add_score(assembly[:id], scores.store(bytes), name) }
      end

      owned(stream) { |recording, _| assemblies.add_stem(assembly[:id], recording, title_from(name)) }
    end

    # Keeps a MIDI file of a reference in the place of the one that was there.
    #
    # @param reference [Hash]
    # @param bytes [String]
    # @param name [String]
    # @return [Hash]
    # @raise [Ethoscope::Errors::UnreadableScore, DiskFull]
    def import_score(reference, bytes, name) = remove { scores.keep(reference[:id], bytes, name) }

    # Makes a reference of an assembly, with the mix that was made of it; the assembly is gone then.
    #
    # @param assembly [Hash]
    # @param mix [IO]
    # @return [Hash] the new reference
    # @raise [Duplicate, DiskFull]
    def assemble(assembly, mix)
      owned(mix) do |recording, _|
        db.transaction do
          reference = add(assembly[:study_id], recording, Ethoscope::Audio::Tags.new(title: assembly[:title], artist: nil), assembly[:title])
          assembly[:stems].each { |stem| stems.create(reference[:id], recordings.find(stem[:recording_id]), stem[:name], role_of(stem[:name])) }
          scores.keep(reference[:id], File.binread(scores.path(assembly[:score_sha256])), assembly[:score_name]) if assembly[:score_sha256]
          assemblies.delete(assembly[:id])
          reference
        end
      end
    end

    # @param study_id [Integer]
    # @return [Array(Array<Ethoscope::Profile::Song>, Array<String>)] the references whose analysis is done, with corrections; and the titles
    #   of those that can't be shown
    def songs(study_id)
      left_out = []
      songs = references.of_study(study_id).filter_map do |reference|
        song(reference)
      rescue Unshowable
        left_out << reference[:title]
        nil
      end
      [songs, left_out]
    end

    # @param reference [Hash]
    # @param scope [Integer, nil] only up to this bar
    # @return [Ethoscope::Profile::Song, nil] nil while no analysis is done
    # @raise [Unshowable]
    def song(reference, scope: nil)
      sheet = sheet(reference) or return nil
      Unshowable.instead(reference[:title]) do
        analysis = sheet.settled
        analysis = Ethoscope::Excerpt.of(analysis, scope) if scope
        Ethoscope::Profile::Song.new(title: reference[:title], analysis:, corrections: readings.corrections(reference[:id]))
      end
    end

    # What was measured, derived anew with what a person put right as soon as that is done, and what the person says over it.
    #
    # @param reference [Hash]
    # @return [Ethoscope::Annotations::Sheet, nil] nil while no analysis is done
    # @raise [Unshowable]
    def sheet(reference)
      id = analysis_id(reference) or return nil
      @sheets.keep([reference[:id], id, readings.stamp(reference[:id])]) do
        Unshowable.instead(reference[:title]) { Ethoscope::Annotations::Sheet.new(analyses.find(id), readings.notes(reference[:id])).tap(&:analysis) }
      end
    end

    # @param reference [Hash]
    # @return [Ethoscope::Annotations::Timeline, nil] its bars in seconds, for what is put on them
    # @raise [Unshowable]
    def timeline(reference)
      id = analysis_id(reference) or return nil
      @timelines.keep(id) { Unshowable.instead(reference[:title]) { Ethoscope::Annotations::Timeline.new(analyses.find(id).to_h) } }
    end

    # @param reference [Hash]
    # @return [Ethoscope::Analysis, nil] with corrections, stems and score when that is derived, the plain one until then
    def analysis(reference) = analysis_id(reference)&.then { |id| analyses.find(id) }

    # @param reference [Hash]
    # @return [Integer, nil] the run that gave it
    def analysis_id(reference)
      terms = terms(reference)
      derived = analyses.derived_id(reference[:recording_id], terms) unless terms.empty?
      derived || analyses.finished_id(reference[:recording_id])
    end

    # Has the analysis derived anew when what a person put right or added asks for it.
    #
    # @param reference [Hash]
    # @return [Hash, nil] the run that derives; nil when there is nothing but the mix
    def derive(reference)
      terms = terms(reference)
      return nil if terms.empty? || analyses.finished_id(reference[:recording_id]).nil?

      analyses.derive(reference[:recording_id], terms)
    end

    # @param reference [Hash]
    # @return [Hash, nil] the run that derives with the present corrections and sources
    def derivation(reference)
      terms = terms(reference)
      terms.empty? ? nil : analyses.derivation(reference[:recording_id], terms)
    end

    private

    # Takes a file in for whoever will own it; when that comes to nothing, the file goes too.
    def owned(stream)
      received = recordings.receive(stream) { |path| Ethoscope::Audio::Decoder.new(path).check }
      @ownership.synchronize do
        yield recordings.take(received), received.facts
      rescue StandardError
        @sweeper.sweep
        raise
      end
    ensure
      FileUtils.rm_f(received.path) if received
    end

    # What an analysis is derived with: what was put right, and under "sources" the stems and the score beside the mix.
    def terms(reference)
      sources = sources(reference)
      Ethoscope::Corrections.arguments(readings.corrections(reference[:id])).merge(sources.empty? ? {} : { sources: })
    end

    def sources(reference)
      measured = stems.of_reference(reference[:id]).select { |stem| stem[:state] == "done" }
      score = scores.of_reference(reference[:id])
      { stems: measured.map { |stem| { recording_id: stem[:recording_id], name: stem[:name], role: stem[:role], offset: stem[:set_offset] || stem[:offset] } },
        score: score && { sha256: score[:sha256], roles: score[:roles] } }.reject { |_, value| value.nil? || value.empty? }
    end

    def add(study_id, recording, tags, name)
      db.transaction(mode: :immediate) do
        reference = references.create(study_id:, recording:, title: tags.title || title_from(name), artist: tags.artist,
          original_name: name)
        id, analysis = analyses.finished(recording[:id])
        analysis ? readings.measure(reference[:id], id, analysis) : analyses.queue(recording[:id])
        reference
      end
    end

    def role_of(name) = Ethoscope::Layers::Role.named(name) || Ethoscope::Layers::Role::UNKNOWN

    def title_from(name)
      base = Ethoscope::Plain.name(File.basename(name.tr("\\", "/"), ".*").tr("_", " "))
      base.empty? ? "Untitled" : base[0, 120]
    end
  end
end
