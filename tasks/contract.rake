# frozen_string_literal: true

namespace :contract do
  files = { "../docs/schema.md" => :documentation, "../web/src/api/contract.ts" => :typescript }.transform_keys { |path| File.expand_path(path, __dir__) }

  desc "Write docs/schema.md and the front end's types from the shapes that Ruby declares"
  task(:write) { files.each { |path, text| File.write(path, Api::Contract.public_send(text)) } }
end
