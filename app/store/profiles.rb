# frozen_string_literal: true

require "digest"

module Store
  # Profiles of studies as they were answered last, so that a server that was just started need not read two hundred songs for one. One a study; it is
  # good as long as what it rests on has not changed.
  class Profiles < Rows
    # @param study_id [Integer]
    # @param stamp [Object] all that the profile rests on, as plain data
    # @yieldreturn [String] the answer, made when there is none or what it rests on has changed
    # @return [String]
    def keep(study_id, stamp)
      digest = Digest::SHA256.hexdigest(JSON.generate(stamp))
      db[:profiles].where(study_id:, stamp: digest).get(:body) || yield.tap { |body| write(study_id, digest, body) }
    end

    private

    def write(study_id, stamp, body)
      Database.at_leisure { db[:profiles].insert_conflict(:replace).insert(study_id:, stamp:, body:) }
    end
  end
end
