# frozen_string_literal: true

module Cli
  # A data directory on the command line: `ethoscope study list`, `study save NUMBER FILE`, `study open FILE`, and `backup FILE`.
  class Keeping
    # @param home [String] the data directory
    def initialize(home)
      raise Ethoscope::Errors::Unfit, "there is no data directory at #{home}; say where with --home" unless File.directory?(home)

      @library = Store::Library.new(home)
    end

    # @param arguments [Array<String>] list, save NUMBER FILE, or open FILE
    # @return [String] what was done
    # @raise [Ethoscope::Errors::Unfit]
    def study(arguments)
      case arguments
      in ["list"] then list
      in ["save", number, path] then save(number, path)
      in ["open", path] then opened(path)
      else raise Ethoscope::Errors::Unfit, "say study list, study save NUMBER FILE, or study open FILE"
      end
    end

    # @param path [String]
    # @return [String] what was done
    def backup(path) = "#{Store::Backup.new(@library).write(File.expand_path(path))} files in #{path}"

    private

    def list = @library.studies.all.map { |study| format("%<id>4d  %<title>s", **study.slice(:id, :title)) }.join("\n")

    def save(number, path)
      study = @library.studies.find(Integer(number, 10, exception: false) || raise(Ethoscope::Errors::Unfit, "a study goes by its number; study list shows them"))
      Store::StudyFile.new(@library).save(study, File.expand_path(path))
      "“#{study[:title]}” is in #{path}"
    rescue Store::Missing => e
      raise Ethoscope::Errors::Unfit, e.message
    end

    def opened(path)
      raise Ethoscope::Errors::Unfit, "there is no such file: #{Ethoscope::Plain.text(path)}" unless File.file?(path)

      study = Store::StudyFile.new(@library).open(path)
      "“#{study[:title]}” is study #{study[:id]} now"
    end
  end
end
