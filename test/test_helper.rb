# frozen_string_literal: true

ENV["RACK_ENV"] = "test"
# The worker processes of the application under test do the same.
ENV["OPENBLAS_NUM_THREADS"] ||= "1"

require_relative "../config/boot"
require "minitest/autorun"
require "fileutils"
require "json"
require "tmpdir"

module Ethoscope
  # What all tests share.
  class TestCase < Minitest::Test
    include Ethoscope

    # A folder that is gone after the test.
    def folder
      @folder ||= Dir.mktmpdir("ethoscope-test")
    end

    def teardown
      FileUtils.rm_rf(@folder) if @folder
      super
    end
  end
end

Dir.glob(File.join(__dir__, "support", "*.rb")).each { |file| require file }
