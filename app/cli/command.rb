# frozen_string_literal: true

require "etc"
require "json"
require "optparse"

module Cli
  # The command line: `ethoscope analyze FILE [--json]`, `ethoscope checklist FILE [--json]`, and both for a folder with `--out DIR`.
  class Command
    DONE = 0
    USAGE = 2
    UNUSABLE = 3
    UNWRITTEN = 4
    BANNER = <<~TEXT
      ethoscope analyze FILE [--json]        what the engine hears in one recording; with --tempo, --meter, --key or
                                             --downbeat it listens again with that put right
      ethoscope analyze FILE --stems DIR --midi FILE   with what else tells of the song
      ethoscope analyze DIR --out DIR        every audio file of a folder, one NAME.json each; with --beside, NAME.stems
                                             and NAME.mid beside it are used
      ethoscope checklist FILE [--markdown|--json]   all that it takes to rebuild the song, as things to do; --tempo and --key are
                                             those of the new track, --aim is exact or style, --school chords, drums, sounds,
                                             arrangement or appearance, whichever comes first
      ethoscope checklist DIR --out DIR      the same for every audio file of a folder
      ethoscope profile DIR [--against DIR] [--json]   what the songs of a folder share, beside those of another folder or beside
                                             the generated songs that ship; folders of sounds, or of analyses
      ethoscope compare REFERENCE ATTEMPT [--json]   one recording laid against another, bar by bar, and what differs, the largest first;
                                             --tempo and --key are those that the attempt is meant to have, with --beside
                                             NAME.stems and NAME.mid beside either are used
      ethoscope compare DIR ATTEMPT [--json]   one recording beside the songs of a folder: what they share and it has or has not, and where
                                             it is too near to one of them
      ethoscope reckon [NAME [BLANK=VALUE …]] [--json]   session arithmetic: all sentences, one with its blanks, or what it comes to
      ethoscope study list | save NUMBER FILE | open FILE   a study exported whole, and opened again; --home is the data directory
      ethoscope backup FILE                  the whole data directory in one archive
    TEXT
    VERBS = %w[analyze checklist profile compare].freeze
    # Verbs that listen to nothing.
    BESIDE = %w[reckon study backup].freeze
    # Where the data are when nobody says.
    HOME = File.expand_path("~/.ethoscope")

    # @param path [String] of a file, in whatever encoding
    # @return [String] its name as it can be shown
    def self.shown(path) = Ethoscope::Plain.text(File.basename(path.b))

    # @param out [IO] results
    # @param err [IO] progress and errors
    def initialize(out:, err:)
      @out = out
      @err = err
    end

    # @param arguments [Array<String>]
    # @return [Integer] exit code: 0 done, 2 bad usage, 3 a file can't be analysed, 4 the result can't be written
    def run(arguments)
      code = carry_out(arguments)
      @out.flush
      code
    rescue Errno::ENOSPC, Errno::EDQUOT, Errno::EPIPE, Errno::EIO => e
      unwritten(e.message)
    rescue Sequel::DatabaseError => e
      raise unless Store::Database.full?(e)

      unwritten("the disk is full")
    end

    private

    def unwritten(why)
      @err.puts("The result could not be written (#{why}).")
      UNWRITTEN
    end

    def carry_out(arguments)
      options = {}
      parser = parser_for(options)
      # Names of files may hold any bytes.
      verb, path, *rest = parser.parse(arguments.map { |argument| argument.valid_encoding? ? argument : argument.b })
      return show(parser.help, DONE) if options[:help]
      return beside(verb, [path, *rest].compact, options) if BESIDE.include?(verb)
      return usage("Say what to analyse.") unless VERBS.include?(verb) && path && rest.size == (verb == "compare" ? 1 : 0)

      listened(verb, path, rest.first, options)
    rescue OptionParser::ParseError, Ethoscope::Errors::Unfit => e
      usage("#{Ethoscope::Plain.text(e.message).delete_suffix(".")}.")
    end

    def listened(verb, path, attempt, options)
      case verb
      when "profile" then style(path, options)
      when "compare" then compare(path, attempt, options)
      when "checklist" then dispatch(path, planned(options))
      else dispatch(path, options)
      end
    end

    def parser_for(options)
      OptionParser.new(BANNER) do |parser|
        parser.on("--json", "print it as JSON") { options[:json] = true }
        parser.on("--out DIR", "where the JSON files of a folder go") { |dir| options[:out] = dir }
        parser.on("--stems DIR", "a folder of the song's stems") { |dir| options[:stems] = dir }
        parser.on("--midi FILE", "the song as MIDI") { |file| options[:midi] = file }
        parser.on("--beside", "use stems and MIDI that stand beside the files of a folder") { options[:beside] = true }
        parser.on("--jobs N", Integer, "worker processes (default: one a core)") { |count| options[:jobs] = count }
        parser.on("--tempo BPM", Float, "the tempo, when you know better") { |bpm| options[:bpm] = bpm }
        parser.on("--meter METER", "the meter, such as 3/4") { |name| options[:meter] = name }
        parser.on("--downbeat SECONDS", Float, "a moment that is a first beat") { |time| options[:first_downbeat] = time }
        parser.on("--key KEY", "the key, such as \"Eb minor\"") { |name| options[:key] = name }
        parser.on("--markdown", "print a checklist as Markdown (which it is without --json, too)") { options[:json] = false }
        parser.on("--against DIR", "of a profile: other songs") { |dir| options[:against] = dir }
        parser.on("--aim AIM", "of a checklist: exact or style") { |aim| options[:aim] = aim }
        parser.on("--school ORDER", "of a checklist: chords, drums, sounds or arrangement first, or appearance") { |school| options[:school] = school }
        parser.on("--home DIR", "the data directory") { |dir| options[:home] = dir }
        parser.on("--help") { options[:help] = true }
      end
    end

    # What is said of tempo and key is wanted of the new track, and nothing that was misheard.
    def planned(options)
      tonic, mode = options[:key]&.split(" ", 2)
      options.except(:bpm, :key).merge(plans: Plans.new({ **options.slice(:aim, :school, :bpm, :json), key: tonic && { tonic:, mode: mode || "major" } }.compact))
    end

    def dispatch(path, options)
      missing = [path, *options.values_at(:stems, :midi)].compact.find { |wanted| !File.exist?(wanted) }
      return usage("There is no such file or folder: #{self.class.shown(missing)}") if missing
      return single(path, options) unless File.directory?(path)
      return usage("A folder needs --out DIR.") unless options[:out]

      Folder.new(path, options[:out], jobs: options[:jobs] || Etc.nprocessors, err: @err, beside: options[:beside], plans: options[:plans]).analyse_all? ? DONE : UNUSABLE
    rescue Errno::ENOENT, Errno::EACCES, Errno::EEXIST, Errno::ENOTDIR, Errno::EISDIR => e
      usage("#{Ethoscope::Plain.text(e.message)}.")
    end

    def beside(verb, arguments, options)
      return show(Reckon.new(arguments, json: options[:json]).to_s, DONE) if verb == "reckon"

      keeping = Keeping.new(options[:home] || ENV.fetch("ETHOSCOPE_HOME", HOME))
      return show(keeping.study(arguments), DONE) if verb == "study"
      return usage("Say where the backup goes.") unless arguments.size == 1

      show(keeping.backup(arguments.first), DONE)
    rescue Store::DiskFull, Errno::ENOENT, Errno::ENOTDIR, Errno::EISDIR, Errno::EACCES, Errno::EROFS => e
      unwritten(e.message.delete_suffix("."))
    end

    def style(path, options)
      missing = [path, options[:against]].compact.find { |wanted| !File.directory?(wanted) }
      return usage("There is no such folder: #{self.class.shown(missing)}") if missing

      show(Styles.new(path, err: @err, **options.slice(:against, :json, :jobs)).to_s, DONE)
    end

    def compare(reference, attempt, options)
      return in_style(reference, attempt, options) if File.directory?(reference) && File.file?(attempt)

      missing = [reference, attempt].find { |path| !File.file?(path) }
      return usage("There is no such file: #{self.class.shown(missing)}") if missing

      comparison, said = comparing(options).of(reference, attempt)
      names = { reference: self.class.shown(reference), attempt: self.class.shown(attempt) }
      said.each { |which, count| @err.puts("#{names[which]}: read again, as the other recording suggests (#{count.map { |what, value| "#{what} #{value}" }.join(", ")}).") }
      show(options[:json] ? JSON.pretty_generate(comparison.to_h) : Ethoscope::Export::ComparisonMarkdown.write(comparison.to_h, **names),
        comparison.alignment.laid? ? DONE : UNUSABLE)
    rescue Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio => e
      @err.puts(e.message)
      UNUSABLE
    end

    def in_style(folder, attempt, options)
      told = comparing(options).in_style(folder, attempt)
      show(options[:json] ? JSON.pretty_generate(told) : Ethoscope::Export::StyleMarkdown.write(told, attempt: self.class.shown(attempt)), DONE)
    rescue Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio => e
      @err.puts(e.message)
      UNUSABLE
    end

    def comparing(options)
      wanted = corrections(options)
      Compare.new(err: @err, progress: Progress.new(@err), beside: options[:beside], wishes: Ethoscope::Attempts::Wishes.none.with(bpm: wanted.bpm, key: wanted.key))
    end

    def single(path, options)
      corrections = corrections(options)
      progress = Progress.new(@err)
      beside = Beside.new(**options.slice(:stems, :midi), err: @err)
      analysis = Ethoscope::Analysis.of(Ethoscope::Audio::Decoder.new(path).decode, corrections:, sources: beside.method(:sources)) { |stage, share| progress.at(stage, share) }
      progress.done
      analysis.fetch(:gaps).each { |gap| @err.puts("Not told: #{gap[:what]} (#{gap[:fault] || gap[:reason]}).") }
      @out.puts(result(analysis, path, options))
      DONE
    rescue Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio => e
      progress&.done
      @err.puts("#{self.class.shown(path)}: #{e.message}")
      UNUSABLE
    end

    def result(analysis, path, options)
      return options[:plans].of(analysis, File.basename(self.class.shown(path), ".*")) if options[:plans]

      options[:json] ? JSON.pretty_generate(analysis.to_h) : Summary.new(self.class.shown(path), analysis).to_s
    end

    def corrections(options)
      tonic, mode = options[:key]&.split(" ", 2)
      Ethoscope::Corrections.of(**options.slice(:bpm, :meter, :first_downbeat), key: tonic && { tonic:, mode: mode || "major" })
    end

    def usage(sentence)
      @err.puts(sentence, BANNER)
      USAGE
    end

    def show(text, code)
      @out.puts(text)
      code
    end
  end
end
