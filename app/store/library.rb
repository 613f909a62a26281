# frozen_string_literal: true

module Store
  # All tables of one data directory.
  class Library
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
      freeze
    end

    # Takes a recording into a study: its bytes are kept, and its analysis is used when there is one or queued when not.
    #
    # @param study_id [Integer]
    # @param stream [IO]
    # @param name [String] what the file was called, kept as data only
    # @return [Hash] the new reference
    # @raise [Missing, Duplicate, DiskFull, Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio]
    def import(study_id, stream, name)
      studies.find(study_id)
      tags = nil
      recording = recordings.keep(stream) do |path|
        facts = Ethoscope::Audio::Decoder.new(path).check
        tags = Ethoscope::Audio::Tags.read(path)
        facts
      end
      add(study_id, recording, tags, name)
    end

    # Takes a stem of a reference: its bytes are kept, and it is queued to be measured.
    #
    # @param reference [Hash]
    # @param stream [IO]
    # @param name [String] what the file was called; its role is guessed from it
    # @return [Hash] the stem
    # @raise [Duplicate, DiskFull, Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio]
    def import_stem(reference, stream, name)
      recording = recordings.keep(stream) { |path| Ethoscope::Audio::Decoder.new(path).check }
      raise Duplicate, "This is the mix itself, and no stem of it." if recording[:id] == reference[:recording_id]

      title = title_from(name)
      stems.create(reference[:id], recording, title, role_of(title))
    end

    # Takes a file of a song that comes without a mix.
    #
    # @param assembly [Hash]
    # @param stream [IO]
    # @param name [String] what the file was called; a MIDI file is told by that
    # @return [Hash] the assembly
    # @raise [Duplicate, DiskFull, Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio, Ethoscope::Errors::UnreadableScore]
    def add_to_assembly(assembly, stream, name)
      return assemblies.add_score(assembly[:id], scores.store(stream.read.to_s), name) if self.class.midi?(name)

      recording = recordings.keep(stream) { |path| Ethoscope::Audio::Decoder.new(path).check }
      assemblies.add_stem(assembly[:id], recording, title_from(name))
    end

    # Makes a reference of an assembly, with the mix that was made of it; the assembly is gone then.
    #
    # @param assembly [Hash]
    # @param mix [IO]
    # @return [Hash] the new reference
    # @raise [Duplicate, DiskFull]
    def assemble(assembly, mix)
      recording = recordings.keep(mix) { |path| Ethoscope::Audio::Decoder.new(path).check }
      db.transaction do
        reference = add(assembly[:study_id], recording, Ethoscope::Audio::Tags.new(title: assembly[:title], artist: nil), assembly[:title])
        assembly[:stems].each { |stem| stems.create(reference[:id], recordings.find(stem[:recording_id]), stem[:name], role_of(stem[:name])) }
        scores.keep(reference[:id], File.binread(scores.path(assembly[:score_sha256])), assembly[:score_name]) if assembly[:score_sha256]
        assemblies.delete(assembly[:id])
        reference
      end
    end

    # @param study_id [Integer]
    # @return [Array<Ethoscope::Profile::Song>] the references whose analysis is done, with corrections
    def songs(study_id)
      references.of_study(study_id).filter_map { |reference| song(reference) }
    end

    # @param reference [Hash]
    # @param scope [Integer, nil] only up to this bar
    # @return [Ethoscope::Profile::Song, nil] nil while no analysis is done
    def song(reference, scope: nil)
      sheet = sheet(reference) or return nil
      analysis = sheet.settled
      analysis = Ethoscope::Excerpt.of(analysis, scope) if scope
      Ethoscope::Profile::Song.new(title: reference[:title], analysis:, corrections: readings.corrections(reference[:id]))
    end

    # What was measured, derived anew with what a person put right as soon as that is done, and what the person says over it.
    #
    # @param reference [Hash]
    # @return [Ethoscope::Annotations::Sheet, nil] nil while no analysis is done
    def sheet(reference)
      analysis = analysis(reference)
      analysis && Ethoscope::Annotations::Sheet.new(analysis, readings.notes(reference[:id]))
    end

    # @param reference [Hash]
    # @return [Ethoscope::Analysis, nil] with corrections, stems and score when that is derived, the plain one until then
    def analysis(reference)
      terms = terms(reference)
      derived = analyses.derived(reference[:recording_id], terms) unless terms.empty?
      derived || analyses.finished(reference[:recording_id])&.last
    end

    # Has the analysis derived anew when what a person put right or added asks for it.
    #
    # @param reference [Hash]
    # @return [Hash, nil] the run that derives; nil when there is nothing but the mix
    def derive(reference)
      terms = terms(reference)
      return nil if terms.empty? || analyses.finished(reference[:recording_id]).nil?

      analyses.derive(reference[:recording_id], terms)
    end

    # @param reference [Hash]
    # @return [Hash, nil] the run that derives with the present corrections and sources
    def derivation(reference)
      terms = terms(reference)
      terms.empty? ? nil : analyses.derivation(reference[:recording_id], terms)
    end

    private

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
      base = File.basename(name.tr("\\", "/"), ".*").tr("_", " ").gsub(/[[:cntrl:]]/, "").strip
      base.empty? ? "Untitled" : base[0, 120]
    end
  end
end
