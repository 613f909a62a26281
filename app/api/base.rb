# frozen_string_literal: true

require "json"
require "sequel"
require "sinatra/base"

module Api
  # What every route shares: JSON in and out, checked input, errors as data.
  class Base < Sinatra::Base
    MAX_JSON = Guard::CARRIED.fetch("application/json")
    # Fields that say what something is called.
    NAMES = %w[title artist name label].freeze

    configure do
      set :show_exceptions, false
      set :raise_errors, false
      set :dump_errors, false
      set :static, false
      mime_type :md, "text/markdown"
      mime_type :musicxml, "application/vnd.recordare.musicxml+xml"
      set :host_authorization, permitted_hosts: Guard::HOSTS
      # Guard compares hosts and origins; the other protections answer with pages instead of data.
      set :protection, except: %i[json_csrf remote_token http_origin path_traversal]
    end

    helpers do
      def library = settings.library

      def answer(data, status_code = 200)
        status status_code
        content_type :json
        JSON.generate(data)
      end

      # An id as it stands in an address.
      def number(text)
        text.to_s.match?(/\A[1-9]\d{0,17}\z/) ? text.to_i : raise(Store::Missing, "There is nothing with the number #{text.to_s[0, 40]}.")
      end

      def reference_of(id) = library.references.find(number(id))

      # Things that were made from what has not changed since.
      def kept = settings.kept

      def sheet_of(reference)
        library.sheet(reference) || raise(Problem.new(409, "not_analysed", "This reference has no finished analysis yet."))
      end

      def timeline_of(reference)
        library.timeline(reference) || raise(Problem.new(409, "not_analysed", "This reference has no finished analysis yet."))
      end

      # Makes a change that can be undone, has everything derived that follows from it, and answers with the sheet's new revision.
      def edit(reference, label, status_code = 200, &)
        result = library.journal.record(reference[:id], label, revision: seen_revision, &)
        edited(reference, result.is_a?(Hash) ? { reading: result } : {}, status_code)
      end

      def edited(reference, data = {}, status_code = 200)
        library.follow(reference)
        settings.bulletin.publish
        answer(data.merge(revision: library.references.find(reference[:id])[:revision]), status_code)
      end

      # The revision of the sheet that the person saw; without one a change is made whatever happened meanwhile.
      def seen_revision
        text = request.env["HTTP_X_SHEET_REVISION"] or return nil
        Integer(text, 10, exception: false) || raise(Problem.new(400, "bad_revision", "The revision of the sheet must be a whole number. Load the page again."))
      end

      # What of a study's wishes is asked for: all of them as mine, none as theirs.
      def wanted_in(study, usual = "theirs")
        (asked(Schemas::FrameQuestion)[:as] || usual) == "mine" ? Work::Wanted.of(study, names) : Work::Wanted.theirs(names)
      end

      # How notes are named in this house.
      def names = library.settings.all[:names]

      # Throws something away until it is brought back, or, asked for, for good.
      def thrown_away(table, id)
        params[:for_good] == "true" ? library.remove { table.delete(number(id)) } : table.take_away(number(id))
        settings.bulletin.publish
        answer({})
      end

      def brought_back(table, id) = table.bring_back(number(id)).tap { settings.bulletin.publish }

      # What the body holds, checked.
      def input(schema) = checked(schema, body_hash)

      # What stands behind the question mark, checked.
      def asked(schema) = checked(schema, request.GET)

      def checked(schema, data)
        result = schema.call(data)
        return result.to_h if result.success?

        complaint = Ethoscope::Forms::Complaint.new(result.errors)
        raise Problem.new(422, "invalid", complaint.sentence, complaint.field)
      end

      def body_hash
        text = request.body.read(MAX_JSON + 1).to_s
        raise Problem.new(413, "too_large", "The request is too large.") if text.bytesize > MAX_JSON

        data = JSON.parse(text.empty? ? "{}" : text, max_nesting: 20)
        raise JSON::ParserError unless data.is_a?(Hash)
        raise Problem.new(422, "invalid", "Text can't hold a null character.") if null_character?(data)

        with_seen_names(data)
      rescue JSON::ParserError, EncodingError
        raise Problem.new(400, "bad_json", "The request is not a JSON object.")
      end

      # Names are what is seen of them.
      def with_seen_names(data)
        data.to_h do |field, text|
          next [field, text] unless NAMES.include?(field) && text.is_a?(String) && !text.empty?

          seen = Ethoscope::Plain.name(text)
          raise Problem.new(422, "invalid", "#{field.capitalize} needs something that can be seen.", field) if seen.empty?

          [field, seen]
        end
      end

      def null_character?(part)
        case part
        when Hash then part.any? { |name, inner| null_character?(name) || null_character?(inner) }
        when Array then part.any? { |inner| null_character?(inner) }
        else part.is_a?(String) && part.include?("\0")
        end
      end

      # Hands over an archive that is written beside the data first, and gone when it was sent.
      def hand_over(title)
        folder = Dir.mktmpdir("handed", library.home)
        path = File.join(folder, "archive.zip")
        yield path
        download(title, "zip")
        content_type "application/zip"
        [200, headers, Handed.new(path, folder)]
      rescue StandardError
        FileUtils.rm_rf(folder) if folder
        raise
      end

      # Has the browser save what follows, under a name that every system takes.
      def download(name, extension)
        plain = name.unicode_normalize(:nfkd).encode("US-ASCII", invalid: :replace, undef: :replace, replace: "")
        base = plain.gsub(/[^\w -]/, "").strip
        attachment("#{base.empty? ? "ethoscope" : base}.#{extension}")
      end

      # Several ranges at once are answered with the whole, as a server may (RFC 9110, 14.2).
      def send_sound(path, type)
        request.env.delete("HTTP_RANGE") if request.env["HTTP_RANGE"].to_s.include?(",")
        send_file path, type:, disposition: :inline
      end
    end

    error(Problem) { |problem| answer(problem.to_h, problem.status) }
    error(Work::Refused) do |e|
      status = e.code == :invalid ? 422 : 409
      answer(Problem.new(status, e.code.to_s, e.message, e.field).to_h, status)
    end
    error(Store::Missing) { |e| answer(Problem.new(404, "missing", e.message).to_h, 404) }
    error(Store::Duplicate) { |e| answer(Problem.new(409, "duplicate", e.message).to_h, 409) }
    error(Store::Stale) { |e| answer({ error: { code: "stale", message: e.message, revision: e.revision, labels: e.labels } }, 409) }
    error(Store::Unshowable) { |e| answer(Problem.new(409, "unshowable", e.message).to_h, 409) }
    error(Errno::ENOSPC, Errno::EDQUOT) { answer(Problem.new(507, "disk_full", "The disk is full; nothing was stored. Make room and try again.").to_h, 507) }
    error(Store::DiskFull) { |e| answer(Problem.new(507, "disk_full", e.message).to_h, 507) }
    error(Ethoscope::Errors::Unfit) { |e| answer(Problem.new(422, "invalid", "#{e.message[0].upcase}#{e.message[1..].delete_suffix(".")}.").to_h, 422) }
    error(Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio) do |e|
      answer(Problem.new(422, "unusable_audio", e.message, "file").to_h, 422)
    end
    error(Ethoscope::Errors::UnreadableScore) { |e| answer(Problem.new(422, "unusable_score", e.message, "file").to_h, 422) }
    error(Sequel::Error) do |e|
      next answer(Problem.new(507, "storage", "The disk is full; nothing was changed. Make room and try again.").to_h, 507) if Store::Database.full?(e)

      if Store::Database.busy?(e)
        headers "retry-after" => "2"
        next answer(Problem.new(503, "busy", "The data are in use by something that writes for long. Nothing was changed; try again.").to_h, 503)
      end
      warn "#{e.class}: #{e.message}\n#{e.backtrace&.first(8)&.join("\n")}"
      answer(Problem.new(500, "storage", "The data could not be read or written. Nothing was changed; try again.").to_h, 500)
    end
    # What the framework makes of a request that it can't read.
    error(Sinatra::BadRequest, Rack::QueryParser::InvalidParameterError, Rack::QueryParser::ParameterTypeError) do
      answer(Problem.new(400, "bad_request", "The request can't be read.").to_h, 400)
    end
    error do |e|
      warn "#{e.class}: #{e.message}\n#{e.backtrace&.first(8)&.join("\n")}"
      answer(Problem.new(500, "unexpected", "Something went wrong inside Ethoscope. Nothing was changed; try again.").to_h, 500)
    end
    not_found { answer(Problem.new(404, "missing", "There is nothing at this address.").to_h, 404) }
  end
end
