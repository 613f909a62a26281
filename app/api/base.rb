# frozen_string_literal: true

require "json"
require "sequel"
require "sinatra/base"

module Api
  # What every route shares: JSON in and out, checked input, errors as data.
  class Base < Sinatra::Base
    MAX_JSON = 256 * 1024

    configure do
      set :show_exceptions, false
      set :raise_errors, false
      set :dump_errors, false
      set :static, false
      mime_type :md, "text/markdown"
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

      def reference_of(id) = library.references.find(id.to_i)

      def sheet_of(reference)
        library.sheet(reference) || raise(Problem.new(409, "not_analysed", "This reference has no finished analysis yet."))
      end

      # Makes a change that can be undone, has everything derived that follows from it, and answers with the sheet's new revision.
      def edit(reference, label, status_code = 200, &)
        result = library.journal.record(reference[:id], label, revision: seen_revision, &)
        edited(reference, result.is_a?(Hash) ? { reading: result } : {}, status_code)
      end

      def edited(reference, data = {}, status_code = 200)
        library.derive(reference)
        settings.bulletin.publish
        answer(data.merge(revision: library.references.find(reference[:id])[:revision]), status_code)
      end

      # The revision of the sheet that the person saw; without one a change is made whatever happened meanwhile.
      def seen_revision = request.env["HTTP_X_SHEET_REVISION"]&.then { |text| Integer(text, exception: false) }

      def input(schema)
        result = schema.call(body_hash)
        return result.to_h if result.success?

        field, messages = result.errors.to_h.first
        raise Problem.new(422, "invalid", "#{field.to_s.tr("_", " ").capitalize} #{Array(messages).flatten.first}.", field.to_s)
      end

      def body_hash
        text = request.body.read(MAX_JSON + 1).to_s
        raise Problem.new(413, "too_large", "The request is too large.") if text.bytesize > MAX_JSON

        raise Problem.new(422, "invalid", "Text can't hold a null character.") if text.include?('\u0000')

        data = JSON.parse(text.empty? ? "{}" : text)
        data.is_a?(Hash) ? data : raise(JSON::ParserError)
      rescue JSON::ParserError
        raise Problem.new(400, "bad_json", "The request is not a JSON object.")
      end
    end

    error(Problem) { |problem| answer(problem.to_h, problem.status) }
    error(Store::Missing) { |e| answer(Problem.new(404, "missing", e.message).to_h, 404) }
    error(Store::Duplicate) { |e| answer(Problem.new(409, "duplicate", e.message, "file").to_h, 409) }
    error(Store::Stale) { |e| answer({ error: { code: "stale", message: e.message, revision: e.revision, labels: e.labels } }, 409) }
    error(Store::DiskFull) { |e| answer(Problem.new(507, "disk_full", e.message).to_h, 507) }
    error(ArgumentError) { |e| answer(Problem.new(422, "invalid", "#{e.message[0].upcase}#{e.message[1..]}.").to_h, 422) }
    error(Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio) do |e|
      answer(Problem.new(422, "unusable_audio", e.message, "file").to_h, 422)
    end
    error(Ethoscope::Errors::UnreadableScore) { |e| answer(Problem.new(422, "unusable_score", e.message, "file").to_h, 422) }
    error(Sequel::DatabaseError) do |e|
      full = e.message.include?("full")
      answer(
        Problem.new(507, "storage",
          full ? "The disk is full; nothing was changed." : "The data could not be stored. Try again.").to_h, 507
      )
    end
    error do |e|
      warn "#{e.class}: #{e.message}\n#{e.backtrace&.first(8)&.join("\n")}"
      answer(Problem.new(500, "unexpected", "Something went wrong inside Ethoscope. Nothing was changed; try again.").to_h, 500)
    end
    not_found { answer(Problem.new(404, "missing", "There is nothing at this address.").to_h, 404) }
  end
end
