# frozen_string_literal: true

require_relative "config/boot"
Dir.glob(File.join(__dir__, "tasks", "*.rake")).each { |file| load file }

task default: :test
